<?php

declare(strict_types=1);

namespace App\People;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Illuminate\Support\Collection;
use Syndex\Core\Time\WorkingHours;

/**
 * A colleague of the directory, or an outside guest of whom only the address is sure.
 *
 * @property string $id
 * @property PersonKind $kind
 * @property ?string $name
 * @property string $email
 * @property string $email_key as it is compared: {@see \Syndex\Core\Invitations\MailAddress::key}
 * @property string $email_domain
 * @property string $list_key
 * @property ?string $zone
 * @property ?string $language as a BCP 47 tag; null: not known
 * @property ?array<string, list<array{string, string}>> $hours
 * @property ?array<string, list<array{string, string}>> $quiet_hours for work without meetings; null: as the house has them
 * @property ?string $country ISO 3166-1 alpha-2
 * @property ?string $region of that country, as {@see Holidays} names it
 * @property ?bool $keeps_holidays null: as the house has it
 * @property ?string $job
 * @property ?string $phone ITU-T E.164
 * @property ?string $stand_in_id who usually covers
 * @property ?CarbonImmutable $left_at
 * @property ?CarbonImmutable $forgotten_at
 * @property Collection<int, Journey> $journeys those that are not over
 * @property ?self $standIn
 * @property ?Calendar $calendar
 * @property Collection<int, Team> $teams
 * @property ?Account $account
 * @property CarbonImmutable $created_at
 */
final class Person extends Model
{
    use HasUlids;

    protected $table = 'people';

    protected $guarded = [];

    protected function casts(): array
    {
        return ['kind' => PersonKind::class, 'hours' => 'array', 'quiet_hours' => 'array', 'keeps_holidays' => 'boolean', 'left_at' => 'immutable_datetime', 'forgotten_at' => 'immutable_datetime'];
    }

    /** @return HasOne<Account, $this> */
    public function account(): HasOne
    {
        return $this->hasOne(Account::class);
    }

    /** @return HasMany<Journey, $this> */
    public function journeys(): HasMany
    {
        return $this->hasMany(Journey::class)->where('until_on', '>=', now()->subDays(2)->format('Y-m-d'))->orderBy('from_on');
    }

    /** @return BelongsTo<self, $this> */
    public function standIn(): BelongsTo
    {
        return $this->belongsTo(self::class, 'stand_in_id');
    }

    /** @return HasOne<Calendar, $this> */
    public function calendar(): HasOne
    {
        return $this->hasOne(Calendar::class);
    }

    /** @return BelongsToMany<Team, $this> */
    public function teams(): BelongsToMany
    {
        return $this->belongsToMany(Team::class, 'team_members');
    }

    /** What to call them where a name is wanted. */
    public function called(): string
    {
        return $this->name ?? $this->email;
    }

    /** Hours by weekday; with days off {@see Hours}. */
    /** @param WorkingHours $usual of whom nothing else is known */
    public function workingHours(WorkingHours $usual): WorkingHours
    {
        return $this->hours === null ? $usual : WorkingHours::of($this->hours);
    }

    /** Hours of their own for work without meetings; null: as the house has them. */
    public function quietHours(): ?WorkingHours
    {
        return $this->quiet_hours === null ? null : WorkingHours::of($this->quiet_hours);
    }
}

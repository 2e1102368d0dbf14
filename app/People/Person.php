<?php

declare(strict_types=1);

namespace App\People;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasOne;
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
 * @property ?string $job
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
        return ['kind' => PersonKind::class, 'hours' => 'array'];
    }

    /** @return HasOne<Account, $this> */
    public function account(): HasOne
    {
        return $this->hasOne(Account::class);
    }

    /** What to call them where a name is wanted. */
    public function called(): string
    {
        return $this->name ?? $this->email;
    }

    public function workingHours(): WorkingHours
    {
        return $this->hours === null ? WorkingHours::usual() : WorkingHours::of($this->hours);
    }

    /**
     * Every word typed begins a word of the name or the address, accents aside.
     *
     * @param  Builder<self>  $query
     */
    public function scopeMatching(Builder $query, string $typed): void
    {
        foreach (SearchKey::beginnings($typed) as $beginning) {
            $query->whereIn('id', FindWords::people($beginning));
        }
    }
}

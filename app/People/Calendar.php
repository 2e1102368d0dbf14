<?php

declare(strict_types=1);

namespace App\People;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Where somebody's busy times come from: a feed that is read again and again, or a file read once.
 *
 * @property int $id
 * @property string $person_id
 * @property 'feed'|'file' $kind
 * @property ?string $url of a feed; a secret
 * @property ?string $url_hash
 * @property string $label the host of a feed, the name of a file
 * @property bool $shows_titles whether others see what for
 * @property 'new'|'ok'|'failing' $state
 * @property ?string $problem code of {@see FeedFailed}
 * @property ?string $etag
 * @property ?string $modified
 * @property int $failures in a row
 * @property int $events
 * @property ?CarbonImmutable $tried_at
 * @property ?CarbonImmutable $read_at
 * @property ?CarbonImmutable $laid_at
 * @property ?CarbonImmutable $next_try_at
 * @property Person $person
 */
final class Calendar extends Model
{
    /** What was read longer ago says nothing of whether somebody is free. */
    private const STALE_HOURS = 72;

    protected $guarded = [];

    protected $hidden = ['url'];

    protected function casts(): array
    {
        return [
            'url' => 'encrypted', 'shows_titles' => 'boolean', 'tried_at' => 'immutable_datetime', 'read_at' => 'immutable_datetime', 'laid_at' => 'immutable_datetime', 'next_try_at' => 'immutable_datetime',
        ];
    }

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }

    public static function hashOf(string $url): string
    {
        return hash_hmac('sha256', $url, (string) config('app.key'));
    }

    /** The address as it is asked: people paste the scheme by which programs subscribe. */
    public static function address(string $typed): string
    {
        return (string) preg_replace('/\Awebcals?:/i', 'https:', trim($typed));
    }

    public function isAt(string $typed): bool
    {
        return $this->url_hash !== null && hash_equals($this->url_hash, self::hashOf(self::address($typed)));
    }

    /** Whether nothing found in it means free. */
    public function isKnown(): bool
    {
        return self::isKnownOf($this->kind, $this->read_at);
    }

    public static function isKnownOf(string $kind, ?CarbonImmutable $readAt): bool
    {
        return $readAt !== null && ($kind === 'file' || $readAt->isAfter(now()->subHours(self::STALE_HOURS)));
    }
}

<?php

declare(strict_types=1);

namespace App\Live;

use Illuminate\Http\Client\ConnectionException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;

/**
 * Tells open pages that something changed: the topic and an id, never a content. A page then asks anew.
 *
 * A hint that is lost does no harm, since pages also look again by themselves now and then.
 */
final class Live
{
    /** Pages of everybody who plans listen here. */
    public const COORDINATION = 'coordination';

    /** @param list<string> $channels */
    public function tell(array $channels, string $topic, string $id): void
    {
        $url = config('syndex.live.publish_url');
        if (!is_string($url) || $url === '') {
            return;
        }
        DB::afterCommit(static function () use ($url, $channels, $topic, $id): void {
            foreach (array_unique($channels) as $channel) {
                try {
                    Http::timeout(1)->connectTimeout(1)->withBody((string) json_encode(['topic' => $topic, 'id' => $id]), 'application/json')->post($url . '/' . $channel);
                } catch (ConnectionException) {
                    return;
                }
            }
        });
    }

    /**
     * Ends what an account listens to, when it may no longer or with another role: everybody on its channels is asked anew
     * whether they may listen, and pages that may come back by themselves.
     */
    public function hangUp(string $accountId): void
    {
        $url = config('syndex.live.publish_url');
        if (!is_string($url) || $url === '') {
            return;
        }
        DB::afterCommit(static function () use ($url, $accountId): void {
            foreach ([self::COORDINATION, self::channelOf($accountId, false)] as $channel) {
                try {
                    Http::timeout(1)->connectTimeout(1)->delete($url . '/' . $channel);
                } catch (ConnectionException) {
                    return;
                }
            }
        });
    }

    /** What the pages of an account listen to. */
    public static function channelOf(string $accountId, bool $plans): string
    {
        return $plans ? self::COORDINATION : 'account-' . strtolower($accountId);
    }
}

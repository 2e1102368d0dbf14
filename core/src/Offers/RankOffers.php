<?php

declare(strict_types=1);

namespace Syndex\Core\Offers;

/**
 * Puts offered times in the order in which a coordinator would take them: fewest required who cannot, fewest others who cannot, most
 * required who said that they come, fewest who said "perhaps", the earliest. Common practice, no published source.
 */
final class RankOffers
{
    /**
     * @param  array<int, int>  $starts  seconds since 1970, by time
     * @param  list<AskedPerson>  $people
     * @return list<OfferStanding> the best first
     */
    public static function of(array $starts, array $people): array
    {
        $ranked = [];
        foreach ($starts as $time => $start) {
            $ranked[] = [self::rank($time, $start, $people), self::standing($time, $people)];
        }
        usort($ranked, static fn(array $a, array $b): int => $a[0] <=> $b[0]);

        return array_column($ranked, 1);
    }

    /**
     * @param  list<AskedPerson>  $people
     * @return list<int>
     */
    private static function rank(int $time, int $start, array $people): array
    {
        $rank = [0, 0, 0, 0, $start, $time];
        foreach ($people as $person) {
            $reply = $person->replies[$time] ?? null;
            $rank[0] += $reply === OfferReply::Declined && $person->required ? 1 : 0;
            $rank[1] += $reply === OfferReply::Declined && !$person->required ? 1 : 0;
            $rank[2] -= $reply === OfferReply::Accepted && $person->required ? 1 : 0;
            $rank[3] += $reply === OfferReply::Tentative ? 1 : 0;
        }

        return $rank;
    }

    /** @param list<AskedPerson> $people */
    private static function standing(int $time, array $people): OfferStanding
    {
        $said = ['accepted' => [], 'tentative' => [], 'declined' => [], '' => []];
        foreach ($people as $person) {
            $said[($person->replies[$time] ?? null)->value ?? ''][] = $person->id;
        }

        return new OfferStanding($time, $said['accepted'], $said['tentative'], $said['declined'], $said['']);
    }
}

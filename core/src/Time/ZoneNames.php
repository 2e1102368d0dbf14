<?php

declare(strict_types=1);

namespace Syndex\Core\Time;

/** The plain names of zones: the city at the end of an IANA name, without accents and underscores, where it names one zone only. */
final class ZoneNames
{
    /**
     * Letters that the zone data use as names, but people for other clocks or none: only their full names count.
     */
    private const NOT_PLAIN = ['est', 'mst', 'hst', 'cet', 'met', 'eet', 'wet', 'factory', 'local', 'universal', 'zulu', 'uct', 'act', 'lhi', 'nsw'];

    /** Names of cities in use beside those at the end of their zones'. */
    private const ALSO = ['ho chi minh city' => 'Asia/Ho_Chi_Minh', 'utc' => 'UTC', 'gmt' => 'GMT'];

    /** @var array<string, ?string> zone by plain name; null where the name means several */
    private ?array $byName = null;

    /** @var array<string, string>|null */
    private ?array $byPlace = null;

    /** @param array<string, ?string>|null $index as {@see index} gave it for the same zone data */
    public function __construct(private readonly ZoneData $zones, ?array $index = null)
    {
        $this->byName = $index;
    }

    /** @return ?string the zone that a name means: plain, or in full in any letter case; null for none or several */
    public function find(string $name): ?string
    {
        $this->byName ??= $this->index();

        return $this->byName[self::plain($name)] ?? null;
    }

    /** @return ?string the zone of a city that gives no zone its name; null for none, several, or one that is a word of everyday English */
    public function ofPlace(string $name, bool $isSaidToBeOne): ?string
    {
        $plain = self::plain($name);
        if (!$isSaidToBeOne && in_array($plain, PlaceTable::EVERYDAY, true)) {
            return null;
        }
        $zone = $this->places()[$plain] ?? null;

        return $zone !== null && $this->zones->knows($zone) ? $zone : null;
    }

    /** @return list<string> the zones of the places that share a name */
    public function ofSeveral(string $name): array
    {
        return array_values(array_filter(PlaceTable::SEVERAL[self::plain($name)] ?? [], $this->zones->knows(...)));
    }

    /** @return list<string> the cities by which zones are found, in plain letters */
    public function cities(): array
    {
        $ofZones = array_map(static fn(string $id): string => self::plain(self::city($id)), array_filter($this->zones->currentIds(), static fn(string $id): bool => str_contains($id, '/')));

        return [...$ofZones, ...array_map(strval(...), array_keys($this->places()))];
    }

    /** @return array<string, string> zone by place */
    private function places(): array
    {
        if ($this->byPlace === null) {
            $this->byPlace = [];
            foreach (PlaceTable::BY_ZONE as $zone => $names) {
                foreach (explode('|', $names) as $name) {
                    $this->byPlace[$name] = $zone;
                }
            }
        }

        return $this->byPlace;
    }

    /** @return ?string the name under which people find this zone again; null if only the full one does */
    public function of(string $id): ?string
    {
        foreach ([PlaceName::of($id), self::city($id), $id] as $name) {
            if ($this->find($name) === $id && preg_match('/\A[\p{L}.’\' -]+\z/u', $name) === 1) {
                return $name;
            }
        }

        return null;
    }

    /** @return array<string, ?string> */
    public function index(): array
    {
        $current = array_fill_keys($this->zones->currentIds(), true);
        $names = [];
        foreach ([true, false] as $isCurrent) {
            $found = [];
            foreach ($this->zones->ids() as $id) {
                if (isset($current[$id]) === $isCurrent) {
                    $found[self::plain(self::city($id))][] = $id;
                }
            }
            foreach ($found as $name => $ids) {
                $names[$name] ??= count($ids) === 1 ? $ids[0] : null;
                if (count($ids) > 1 && !isset($names[$name])) {
                    $names[$name] = null;
                }
            }
        }
        foreach (self::NOT_PLAIN as $name) {
            unset($names[$name]);
        }
        foreach ($this->zones->ids() as $id) {
            if (str_contains($id, '/')) {
                $names[self::plain($id)] = $id;
            }
        }

        return [...$names, ...array_filter(self::ALSO, $this->zones->knows(...))];
    }

    private static function city(string $id): string
    {
        return str_replace('_', ' ', substr($id, (int) strrpos("/$id", '/')));
    }

    private static function plain(string $name): string
    {
        // The names of the zone data themselves need no more than this, and there are six hundred of them.
        if (preg_match('/\A[A-Za-z0-9_\/+-]+\z/', $name) === 1) {
            return strtolower(trim(strtr($name, '_', ' ')));
        }
        $apart = \Normalizer::normalize($name, \Normalizer::FORM_D);
        $bare = (string) preg_replace('/\p{Mn}/u', '', is_string($apart) ? $apart : $name);

        return strtolower(trim((string) preg_replace('/[\s_.’\']+/u', ' ', str_replace(['’', "'", '.'], '', $bare))));
    }
}

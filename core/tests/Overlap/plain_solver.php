<?php

declare(strict_types=1);

namespace Syndex\Core\Tests;

/*
 * Common time the long way, on nothing but PHP's own clock: slot by slot and person by person, leaving a slot at the first busy
 * required person. The tests hold the verb `overlap` against it, and the bench times it beside the verb. It knows nothing of
 * the core.
 */

/**
 * @param  array<string, mixed>  $line  as the verb `overlap` takes it, decoded
 * @return list<array<string, mixed>> `slots` as the verb gives them
 */
function plainSlots(array $line): array
{
    $from = (int) strtotime($line['from']);
    $to = (int) strtotime($line['to']);
    $seconds = $line['duration'] * 60;
    $known = $people = $found = [];
    foreach ($line['people'] as $person) {
        $key = $person['tzid'] . json_encode($person['hours']);
        $known[$key] ??= plainHours((array) $person['hours'], $person['tzid'], $from, $to);
        $people[] = [$person['id'], $person['role'] === 'required', $known[$key], array_map(static fn(array $b): array => [(int) strtotime($b[0]), (int) strtotime($b[1])], $person['busy'])];
    }
    for ($start = $from; $people !== [] && $start + $seconds <= $to; $start += $line['step'] * 60) {
        $end = $start + $seconds;
        $requiredOff = $optionalBusy = [];
        $off = 0;
        foreach ($people as [$id, $required, $hours, $stretches]) {
            foreach ($stretches as [$begins, $ends]) {
                if ($begins < $end && $ends > $start && $begins < $ends) {
                    if ($required) {
                        continue 3;
                    }
                    $optionalBusy[] = $id;
                    break;
                }
            }
            $inside = 0;
            foreach ($hours as [$begins, $ends]) {
                if ($begins < $end && $ends > $start) {
                    $inside += min($ends, $end) - max($begins, $start);
                }
            }
            $off += $seconds - $inside;
            if ($required && $inside < $seconds) {
                $requiredOff[] = $id;
            }
        }
        $found[] = ['start' => gmdate('Y-m-d\TH:i:s\Z', $start), 'end' => gmdate('Y-m-d\TH:i:s\Z', $end), 'required_off_hours' => $requiredOff, 'optional_busy' => $optionalBusy, 'off_hours_minutes' => intdiv($off, 60)];
    }
    usort($found, static fn(array $a, array $b): int => [count($a['required_off_hours']), count($a['optional_busy']), $a['off_hours_minutes'], $a['start']] <=> [count($b['required_off_hours']), count($b['optional_busy']), $b['off_hours_minutes'], $b['start']]);

    return array_slice($found, 0, $line['limit']);
}

/**
 * @param  array<string, list<array{string, string}>>  $hours
 * @return list<array{int, int}> stretches of working time, none touching another, that a moment of the window may lie in
 */
function plainHours(array $hours, string $tzid, int $from, int $to): array
{
    $zone = new \DateTimeZone($tzid);
    $stretches = [];
    for ($day = new \DateTimeImmutable(gmdate('Y-m-d', $from - 2 * 86400), $zone); $day->getTimestamp() <= $to + 86400; $day = $day->modify('+1 day')->setTime(0, 0)) {
        foreach ($hours[strtolower($day->format('D'))] ?? [] as [$begins, $ends]) {
            $stretches[] = [$day->setTime(...array_map(intval(...), explode(':', $begins)))->getTimestamp(), $day->setTime(...array_map(intval(...), explode(':', $ends)))->getTimestamp()];
        }
    }
    sort($stretches);
    $joined = [];
    foreach ($stretches as [$begins, $ends]) {
        $last = count($joined) - 1;
        if ($last >= 0 && $begins <= $joined[$last][1]) {
            $joined[$last][1] = max($joined[$last][1], $ends);
        } else {
            $joined[] = [$begins, $ends];
        }
    }

    return $joined;
}

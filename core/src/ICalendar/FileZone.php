<?php

declare(strict_types=1);

namespace Syndex\Core\ICalendar;

use Syndex\Core\Time\Gregorian;
use Syndex\Core\Work;

/** A clock as a file's own VTIMEZONE describes it. */
final class FileZone
{
    /** @var list<array{at: int, before: int, after: int}> */
    private array $changes = [];

    private int $knownUntil = PHP_INT_MIN;

    /** @param non-empty-list<Observance> $observances */
    private function __construct(private readonly array $observances, private readonly Work $work) {}

    /** @param list<Observance> $observances */
    public static function of(array $observances, Work $work): ?self
    {
        return $observances === [] ? null : new self($observances, $work);
    }

    public function offsetAt(int $moment): int
    {
        $this->know($moment);
        $this->work->spend(count($this->changes) >> 3);
        $offset = $this->changes[0]['before'];
        foreach ($this->changes as $change) {
            if ($change['at'] > $moment) {
                break;
            }
            $offset = $change['after'];
        }

        return $offset;
    }

    /** A skipped wall time takes the offset before the gap, a repeated one means the first (RFC 5545 3.3.5). */
    public function toUtc(int $wall): int
    {
        $this->know($wall);
        $this->work->spend(count($this->changes) >> 3);
        $offset = $this->changes[0]['before'];
        foreach ($this->changes as $change) {
            if ($change['at'] + max($change['before'], $change['after']) > $wall) {
                break;
            }
            $offset = $change['after'];
        }

        return $wall - $offset;
    }

    /**
     * Where its offset moves in [$from, $to).
     *
     * @return array<int, int> offset after, by moment
     */
    public function moves(int $from, int $to): array
    {
        $this->know($to);
        $moves = [];
        $offset = $this->offsetAt($from - 1);
        foreach ($this->changes as $change) {
            if ($change['at'] >= $from && $change['at'] < $to && $change['after'] !== $offset) {
                $moves[$change['at']] = $offset = $change['after'];
            }
        }

        return $moves;
    }

    private function know(int $moment): void
    {
        if ($moment <= $this->knownUntil) {
            return;
        }
        $year = min(9990, Gregorian::yearOf(Gregorian::floorDiv($moment, 86400)) + 5);
        $this->knownUntil = Gregorian::yearStart($year) * 86400;
        $changes = [];
        foreach ($this->observances as $observance) {
            foreach ($observance->begins($this->knownUntil + 86400, $this->work) as $at) {
                $changes[] = ['at' => $at, 'before' => $observance->before, 'after' => $observance->after];
            }
        }
        usort($changes, static fn(array $a, array $b): int => $a['at'] <=> $b['at']);
        $this->work->spend(count($changes));
        $this->changes = $changes;
    }
}

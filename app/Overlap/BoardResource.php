<?php

declare(strict_types=1);

namespace App\Overlap;

use Syndex\Core\Overlap\Board;
use Syndex\Core\Overlap\DateColumn;
use Syndex\Core\Overlap\DateState;
use Syndex\Core\Overlap\DayBoard;
use Syndex\Core\Overlap\Mark;
use Syndex\Core\Overlap\Pane;
use Syndex\Core\Overlap\PlaceShift;
use Syndex\Core\Overlap\Segment;
use Syndex\Core\Overlap\Standing;
use Syndex\Core\Overlap\Thread;
use Syndex\Core\Overlap\Times;

/** A board as it goes over the wire: each thing once, people by their place in one list, stretches as short rows. */
final readonly class BoardResource
{
    /** @param array<string, int> $at place of each person in the list */
    private function __construct(private Board $board, private array $at) {}

    /** Where the label stands in a segment, and what somebody has in a trouble of a date. */
    private const LABEL = 4;

    private const CLASHES = 2;

    /** @return array<string, mixed> */
    public static function of(Board $board): array
    {
        $people = array_map(static fn(Standing $s): string => $s->id, $board->day->standings);

        return (new self($board, array_flip($people)))->toArray($people);
    }

    /**
     * The same, without what people are busy with.
     *
     * @param  array<string, mixed>  $board
     * @return array<string, mixed>
     */
    public static function withoutTitles(array $board): array
    {
        $bare = static fn(array $blocks): array => array_map(static fn(array $block): array => array_replace($block, [self::LABEL => '']), $blocks);
        foreach ($board['day']['panes'] as $pane => ['threads' => $threads]) {
            foreach ($threads as $thread => ['blocks' => $blocks]) {
                $board['day']['panes'][$pane]['threads'][$thread]['blocks'] = $bare($blocks);
            }
        }
        $something = static fn(array $titles): array => $titles === [] ? [] : [__('planning.something_else')];
        foreach ($board['day']['standings'] as $standing => ['clashes' => $titles]) {
            $board['day']['standings'][$standing]['clashes'] = $something($titles);
        }
        foreach (['dates', 'comingDays'] as $of) {
            foreach ($board[$of] as $date => ['troubles' => $troubles]) {
                $board[$of][$date]['troubles'] = array_map(static fn(array $trouble): array => array_replace($trouble, [self::CLASHES => $something($trouble[self::CLASHES])]), $troubles);
            }
        }
        foreach ($board['columns'] as $column => ['blocks' => $blocks]) {
            $board['columns'][$column]['blocks'] = $bare($blocks);
        }

        return $board;
    }

    /**
     * @param  list<string>  $people
     * @return array<string, mixed>
     */
    private function toArray(array $people): array
    {
        return [
            'people' => $people,
            'day' => self::day($this->board->day),
            'dates' => array_map($this->date(...), $this->board->dates),
            'comingDays' => array_map($this->date(...), $this->board->comingDays),
            'columns' => array_map(static fn(DateColumn $c): array => ['ground' => self::segments($c->ground), 'blocks' => self::segments($c->blocks), 'barAt' => $c->barAt], $this->board->columns),
            'columnScale' => self::marks($this->board->columnScale),
            'columnBarAt' => $this->board->columnBarAt,
            'summary' => [
                'required' => $this->board->summary->required,
                'unknown' => $this->board->summary->unknown,
                'dates' => $this->board->summary->dates,
                'free' => $this->board->summary->free,
                'busy' => self::times($this->board->summary->busy),
                'nights' => self::times($this->board->summary->nights),
            ],
        ];
    }

    /** @return array<string, mixed> */
    private static function day(DayBoard $day): array
    {
        return [
            'index' => $day->index,
            'axisStart' => $day->axisStart,
            'axisWall' => $day->axisWall,
            'axisMinutes' => $day->axisMinutes,
            'barAt' => $day->barAt,
            'barMinutes' => $day->barMinutes,
            'scale' => self::marks($day->scale),
            'panes' => array_map(self::pane(...), $day->panes),
            'standings' => array_map(static fn(Standing $s): array => [
                'id' => $s->id, 'required' => $s->required, 'local' => $s->local, 'light' => $s->light->value, 'clashes' => $s->clashes, 'calendarKnown' => $s->calendarKnown, 'clash' => $s->clash?->value, 'holiday' => $s->holiday, 'elsewhere' => $s->elsewhere,
            ], $day->standings),
            'worstFirst' => $day->worstFirst,
        ];
    }

    /** @return array<string, mixed> */
    private static function pane(Pane $pane): array
    {
        return [
            'key' => $pane->key,
            'places' => $pane->places,
            'zones' => $pane->zones,
            'offset' => $pane->offset,
            'axisWall' => $pane->axisWall,
            'ground' => self::segments($pane->ground),
            'hours' => self::marks($pane->hours),
            'midnights' => self::marks($pane->midnights),
            'clock' => $pane->clock,
            'threads' => array_map(static fn(Thread $t): array => [
                'id' => $t->id, 'required' => $t->required, 'host' => $t->host, 'calendarKnown' => $t->calendarKnown, 'lanes' => self::segments($t->lanes), 'blocks' => self::segments($t->blocks),
            ], $pane->threads),
        ];
    }

    /** @return array<string, mixed> */
    private function date(DateState $state): array
    {
        return [
            'index' => $state->index,
            'wall' => $state->wall,
            'start' => $state->start,
            'required' => $state->required,
            'free' => $state->free,
            'unknown' => $state->unknown,
            'troubles' => array_map(fn(Standing $s): array => [$this->at[$s->id], $s->light->value, $s->clashes, $s->clash?->value], $state->troubles),
            'shifts' => array_map(static fn(PlaceShift $s): array => ['place' => $s->place, 'was' => $s->was, 'now' => $s->now, 'minutes' => $s->minutes, 'byAnchor' => $s->byAnchor], $state->shifts),
            'anchorShift' => $state->anchorShift,
        ];
    }

    /**
     * @param  list<Segment>  $segments
     * @return list<array{int, int, string, int, string}>
     */
    private static function segments(array $segments): array
    {
        return array_map(static fn(Segment $s): array => [$s->from, $s->to, $s->tone, $s->count, $s->label], $segments);
    }

    /**
     * @param  list<Mark>  $marks
     * @return list<array{at: int, label: string}>
     */
    private static function marks(array $marks): array
    {
        return array_map(static fn(Mark $m): array => ['at' => $m->at, 'label' => $m->label], $marks);
    }

    /**
     * @param  list<Times>  $times
     * @return list<array{id: string, dates: int}>
     */
    private static function times(array $times): array
    {
        return array_map(static fn(Times $t): array => ['id' => $t->id, 'dates' => $t->dates], $times);
    }
}

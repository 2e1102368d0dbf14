<?php

declare(strict_types=1);

namespace Syndex\Core\Joining;

/** What will happen to each who is expected, by the minute in which they come: {@see EntryDesk} asked ahead of time. */
final readonly class EntryForecast
{
    private const HOST = 'the host';

    /** @param int $hostComes minutes from the start at which the first host comes, negative ahead of it */
    public function __construct(private EntryRules $rules, private int $hostComes) {}

    /**
     * @param  int  $from  minutes from the start
     * @param  int  $until  the first minute that is not asked for
     * @return list<EntryStretch> in order, covering all
     */
    public function of(Expected $expected, int $from, int $until): array
    {
        // Between two of these nothing changes: a bound is inside (docs/decisions/0033-who-gets-in.md).
        $bounds = array_filter([$from, -$this->rules->opens, -$this->rules->doors, $this->hostComes, $this->rules->lock, $until], static fn(?int $at): bool => $at !== null && $at >= $from && $at <= $until);
        $bounds = array_values(array_unique($bounds));
        sort($bounds);
        $stretches = [];
        for ($at = 0; isset($bounds[$at + 1]); $at++) {
            $answer = $this->answer($expected, $bounds[$at]);
            $last = $stretches === [] ? null : $stretches[count($stretches) - 1];
            if ($last !== null && $last->outcome === $answer->outcome && $last->reason === $answer->reason) {
                array_pop($stretches);
            } else {
                $last = null;
            }
            $stretches[] = new EntryStretch($last === null ? $bounds[$at] : $last->from, $bounds[$at + 1], $answer->outcome, $answer->reason);
        }

        return $stretches;
    }

    /** @param int $minute from the start */
    public function answer(Expected $expected, int $minute): EntryAnswer
    {
        $desk = new EntryDesk($this->rules, 0);
        if (!$expected->who->runsIt() && $this->hostComes <= $minute) {
            $desk->decide(new Arrival(self::HOST, $this->hostComes * 60, ArrivesAs::Host, WayIn::Link, true, null, PasscodeGiven::Right));
        }

        return $desk->decide($expected->arrival($minute * 60))->answer;
    }
}

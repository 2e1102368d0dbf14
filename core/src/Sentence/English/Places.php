<?php

declare(strict_types=1);

namespace Syndex\Core\Sentence\English;

use Syndex\Core\Sentence\Cursor;
use Syndex\Core\Sentence\Heard;
use Syndex\Core\Sentence\NotUnderstood;
use Syndex\Core\Time\PlaceName;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\ZoneLetters;
use Syndex\Core\Time\ZoneNames;

/** Whose clock counts: "Lisbon time", "in Porto", "UTC+3", "CET". */
final readonly class Places
{
    private const WORD = '[\p{L}][\p{L}\p{M}\d.\'’_\/+-]*';

    public function __construct(private Cursor $text, private Heard $heard, private ZoneNames $names, private ZoneLetters $letters, private WallTime $today) {}

    public function zone(): bool
    {
        if ($this->text->eat('floating\s+time\b') !== null) {
            $this->heard->once($this->heard->zone === null && !$this->heard->isFloating, 'floating time');
            $this->heard->isFloating = true;

            return true;
        }
        $m = $this->text->eat('in\s+time\s+zone\s+([\w\/+-]+)');
        if ($m !== null) {
            $this->heard->hearZone($m[1], $m[0]);

            return true;
        }
        $isIn = $this->text->eat('in\s+|\(') !== null;
        for ($count = 4; $count >= 1; $count--) {
            $begin = $this->text->at;
            $m = $this->text->eat('(' . self::WORD . '(?:[ ]+' . self::WORD . '){' . ($count - 1) . '})(\s+time\b)?');
            if ($m !== null && $this->name(rtrim($m[1], '.'), $m[2] !== '', $isIn, $m[0])) {
                $this->text->eat('\s*\)');

                return true;
            }
            $this->text->at = $begin;
        }

        return false;
    }

    private function name(string $name, bool $isTime, bool $isIn, string $quote): bool
    {
        $zone = $isTime || !self::isEverydayWord($name) ? $this->names->find($name) ?? self::ofOffset($name) : null;
        $zone ??= $this->names->ofPlace($name, $isTime);
        if ($zone !== null) {
            $this->heard->hearZone($zone, $quote);

            return true;
        }
        $several = $this->names->ofSeveral($name);
        if ($several !== []) {
            throw NotUnderstood::of($quote, 'several_places', ['places' => implode(', ', array_map(PlaceName::of(...), $several))]);
        }
        if (!$this->areLetters($name, $isTime || $isIn)) {
            return false;
        }
        $this->heard->once($this->heard->zoneLetters === null && $this->heard->zone === null && !$this->heard->isFloating, $quote);
        $this->heard->zoneLetters = strtoupper($name);

        return true;
    }

    /** Letters that name a clock. In small letters many are words, so only the best known are taken then. */
    private function areLetters(string $name, bool $isSaidToBeOne): bool
    {
        return preg_match('/\A[A-Za-z]{2,5}\z/', $name) === 1
            && ($isSaidToBeOne || strtoupper($name) === $name || preg_match('/\A(?:[ecmp][sd]t|ces?t|bst|ist|jst)\z/i', $name) === 1)
            && $this->letters->areKnown($name, $this->today->seconds);
    }

    /** Cities and islands whose names mean other things: they are zones only with "time" behind them. */
    private static function isEverydayWord(string $word): bool
    {
        return preg_match('/\A(?:easter|christmas|center|central|eastern|mountain|pacific|general|north|south|east|west|wake|midway|resolute|troll|turkey|samoa|yukon|act|acre)\z/i', $word) === 1;
    }

    /** "UTC+3" */
    private static function ofOffset(string $word): ?string
    {
        return preg_match('/\A(?:UTC|GMT)([+-])(\d{1,2})\z/i', $word, $m) === 1 && (int) $m[2] >= 1 && (int) $m[2] <= 12 ? 'Etc/GMT' . ($m[1] === '+' ? '-' : '+') . (int) $m[2] : null;
    }
}

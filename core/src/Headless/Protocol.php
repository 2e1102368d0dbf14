<?php

declare(strict_types=1);

namespace Syndex\Core\Headless;

use Syndex\Core\CoreException;
use Syndex\Core\ICalendar\NotExpressible;
use Syndex\Core\Recurrence\InvalidRule;
use Syndex\Core\Sentence\NotUnderstood;
use Syndex\Core\Sentence\TooOdd;
use Syndex\Core\Time\UnknownZone;
use Syndex\Core\Time\ZoneData;
use Syndex\Core\TooMuchWork;

/**
 * The headless core: a line of JSON in, a line of JSON out.
 *
 * What is wrong with a line is its answer; it never ends the conversation.
 */
final readonly class Protocol
{
    /** Rises with every change of what a line may say or what comes back. */
    public const VERSION = '1.5.0';

    /** About half a second of processor time. */
    public const MOST_STEPS = 800_000;

    public const MOST_OCTETS = 16 * 1024 * 1024;

    private const FLAGS = JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION | JSON_INVALID_UTF8_SUBSTITUTE;

    /** @param int $mostOctets a longer line is not read */
    private function __construct(private Verb $verb, public int $mostOctets) {}

    public static function forVerb(string $name, ZoneData $zones): ?self
    {
        $verb = match ($name) {
            'about' => new About($zones),
            'expand' => new Expand($zones),
            'shifts' => new Shifts($zones),
            'vtimezone' => new Vtimezone($zones),
            'sentence' => new Sentence($zones),
            'read' => new Read($zones),
            'write' => new Write($zones),
            'itip' => new Itip($zones),
            'overlap' => new Overlap($zones),
            'rota' => new Rota($zones),
            'entry' => new Entry(),
            default => null,
        };

        return $verb === null ? null : new self($verb, $verb instanceof Overlap ? Overlap::MOST_OCTETS : self::MOST_OCTETS);
    }

    /** @return string|null the answer without a line break, null for a line of spaces, tabs and CR only */
    public function answer(string $line): ?string
    {
        if (strspn($line, " \t\r\n") === strlen($line)) {
            return null;
        }
        $id = 'null';
        try {
            $asked = self::decode($line);
            $id = LineId::of($asked, $line);
            unset($asked->id);
            $answer = $this->verb->answer(Fields::of($asked, $this->verb->keys(), strlen($line)));

            return '{"id":' . $id . ',' . substr((string) json_encode($answer, self::FLAGS), 1);
        } catch (BadLine $bad) {
            return self::error($id, $bad->errorCode, $bad);
        } catch (UnknownZone $bad) {
            return self::error($id, 'unknown_zone', $bad);
        } catch (InvalidRule $bad) {
            return self::error($id, 'bad_rule', $bad);
        } catch (TooMuchWork $bad) {
            return self::error($id, 'too_much_work', $bad);
        } catch (NotUnderstood $bad) {
            return self::error($id, 'not_understood', $bad);
        } catch (TooOdd $bad) {
            return self::error($id, 'too_odd', $bad);
        } catch (NotExpressible $bad) {
            return self::error($id, 'not_expressible', $bad);
        } catch (CoreException $bad) {
            return self::error($id, 'bad_value', $bad);
        }
    }

    /** The answer to a line that is longer than any that is read. */
    public function tooLong(): string
    {
        return sprintf('{"id":null,"error":{"code":"too_much_work","message":"expected a line of at most %d octets, got a longer one"}}', $this->mostOctets);
    }

    private static function decode(string $line): \stdClass
    {
        try {
            $asked = json_decode($line, false, 128, JSON_THROW_ON_ERROR);
        } catch (\JsonException $broken) {
            throw BadLine::notJson('got what JSON cannot be: ' . $broken->getMessage());
        }

        return $asked instanceof \stdClass ? $asked : throw BadLine::notJson('got ' . get_debug_type($asked));
    }

    private static function error(string $id, string $code, \Throwable $bad): string
    {
        return '{"id":' . $id . ',"error":' . json_encode(['code' => $code, 'message' => $bad->getMessage()], self::FLAGS) . '}';
    }
}

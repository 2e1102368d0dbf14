<?php

declare(strict_types=1);

namespace Syndex\Core\Answers;

/** What a mail server says of one recipient of a mail that was sent (RFC 3464 2.3). */
final readonly class DeliveryReport
{
    /** @param ?string $status like 5.1.1 (RFC 3463) */
    public function __construct(public DeliveryAction $action, public ?string $recipient, public ?string $status, public string $diagnostic) {}

    /**
     * Reads the body of a message/delivery-status part. Fields of the message come first, then those of each recipient, with empty
     * lines between (2.1); a group without an Action that is known says nothing.
     *
     * @return list<self>
     */
    public static function read(string $body): array
    {
        $reports = [];
        foreach (preg_split('/\n[ \t]*\n/', str_replace(["\r\n", "\r"], "\n", mb_scrub($body))) ?: [] as $group) {
            $fields = self::fields($group);
            // A comment in brackets may stand anywhere (RFC 5322 3.2.2).
            $action = DeliveryAction::tryFrom(strtolower(trim((string) preg_replace('/\([^)]*\)/', '', $fields['action'] ?? ''))));
            if ($action !== null) {
                preg_match('/\d\.\d{1,3}\.\d{1,3}/', $fields['status'] ?? '', $status);
                $reports[] = new self(
                    $action,
                    // 6.3: the original one should be used if it is there.
                    self::afterType($fields['original-recipient'] ?? '') ?? self::afterType($fields['final-recipient'] ?? ''),
                    $status[0] ?? null,
                    self::afterType($fields['diagnostic-code'] ?? '') ?? '',
                );
            }
        }

        return $reports;
    }

    /** Whether it is for good: what a class of 4 says is no more than a delay, whatever the action (RFC 3463 2, 3464 2.3.4). */
    public function isFinal(): bool
    {
        return $this->action === DeliveryAction::Failed;
    }

    /** @return array<string, string> unfolded, by name in lower case; the first of a name counts */
    private static function fields(string $group): array
    {
        $fields = [];
        foreach (explode("\n", (string) preg_replace('/\n[ \t]+/', ' ', $group)) as $line) {
            if (preg_match('/^([A-Za-z0-9-]+)[ \t]*:(.*)$/', $line, $m) === 1) {
                $fields[strtolower($m[1])] ??= trim($m[2]);
            }
        }

        return $fields;
    }

    /** "rfc822; somebody@garden.example" without its type. */
    private static function afterType(string $field): ?string
    {
        $text = trim(str_contains($field, ';') ? substr($field, (int) strpos($field, ';') + 1) : $field);
        if (preg_match('/^<(.*)>$/', $text, $m) === 1) {
            $text = trim($m[1]);
        }

        return $text === '' ? null : mb_strimwidth((string) preg_replace('/\s+/', ' ', $text), 0, 400, '…');
    }
}

<?php

declare(strict_types=1);

namespace App\Planning;

/** What a meeting's entries say of themselves in its people's calendars (RFC 5545 3.6.6, 3.8.1.2, 3.8.1.3, 3.8.2.7). */
final readonly class EntryChoices
{
    public const USUAL_REMINDER = 15;

    public const CLASSES = ['public', 'private', 'confidential'];

    /**
     * @param  ?int  $reminderMinutes  minutes ahead; null: no reminder
     * @param  value-of<self::CLASSES>  $class
     * @param  list<string>  $categories
     * @param  bool  $takesNoTime  it leaves its people free
     * @param  bool  $notForwarded  its people are asked to keep it to themselves
     */
    public function __construct(public ?int $reminderMinutes = self::USUAL_REMINDER, public string $class = 'public', public array $categories = [], public bool $takesNoTime = false, public bool $notForwarded = false) {}

    public static function of(Meeting $meeting): self
    {
        return new self($meeting->reminder_minutes, $meeting->calendar_class, $meeting->categories ?? [], $meeting->takes_no_time, $meeting->not_forwarded);
    }

    /** @return array<string, mixed> */
    public function columns(): array
    {
        return ['reminder_minutes' => $this->reminderMinutes, 'calendar_class' => $this->class, 'categories' => $this->categories, 'takes_no_time' => $this->takesNoTime, 'not_forwarded' => $this->notForwarded];
    }

    /** @return array{reminderMinutes: ?int, class: string, categories: list<string>, takesNoTime: bool, notForwarded: bool} as the browser has it */
    public function wire(): array
    {
        return ['reminderMinutes' => $this->reminderMinutes, 'class' => $this->class, 'categories' => $this->categories, 'takesNoTime' => $this->takesNoTime, 'notForwarded' => $this->notForwarded];
    }
}

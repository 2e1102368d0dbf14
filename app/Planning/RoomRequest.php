<?php

declare(strict_types=1);

namespace App\Planning;

/** A sheet, and when the host is taken to come: for what will happen at the door. */
final class RoomRequest extends SheetRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [...parent::rules(), 'hostComes' => ['sometimes', 'integer', 'between:-1440,1440'], 'meetingId' => ['sometimes', 'nullable', 'string', 'max:26']];
    }

    public function meetingId(): ?string
    {
        return $this->input('meetingId');
    }

    /** Minutes from the start. */
    public function hostComes(): int
    {
        return $this->integer('hostComes');
    }
}

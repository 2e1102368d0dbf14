<?php

declare(strict_types=1);

namespace App\Planning;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

final class ListMeetingsRequest extends FormRequest
{
    public const WHICH = ['all', 'ahead', 'drafts', 'sent', 'called_off', 'over'];

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'q' => ['nullable', 'string', 'max:200'],
            'which' => ['nullable', Rule::in(self::WHICH)],
            'page' => ['nullable', 'integer', 'min:1', 'max:100000'],
        ];
    }

    public function words(): string
    {
        return $this->string('q')->trim()->toString();
    }

    public function which(): string
    {
        return $this->string('which', 'all')->toString();
    }
}

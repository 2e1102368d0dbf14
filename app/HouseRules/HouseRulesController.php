<?php

declare(strict_types=1);

namespace App\HouseRules;

use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

final readonly class HouseRulesController
{
    public function __construct(private HouseRules $rules) {}

    public function show(): JsonResponse
    {
        return new JsonResponse($this->rules->toArray());
    }

    public function update(Request $request): JsonResponse
    {
        $this->rules->set($request->validate([
            'organisation' => ['sometimes', 'required', 'string', 'max:120'],
            'organizer' => ['sometimes', 'required', Rule::enum(OrganizerAddress::class)],
        ]));

        return $this->show();
    }
}

<?php

declare(strict_types=1);

namespace App\HouseRules;

use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final readonly class HouseRulesController
{
    public function __construct(private HouseRules $rules) {}

    public function show(): JsonResponse
    {
        return new JsonResponse($this->rules->toArray());
    }

    public function update(Request $request): JsonResponse
    {
        $entry = array_merge(...array_map(static fn(HouseRule $rule): array => $rule->entry(), HouseRule::cases()));
        $given = $request->validate([...$entry, 'open' => ['sometimes', 'array'], 'open.*' => ['required', 'boolean:strict']]);
        $this->rules->set($given, (array) ($given['open'] ?? []));

        return $this->show();
    }
}

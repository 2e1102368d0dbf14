<?php

declare(strict_types=1);

namespace App\People;

use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** The countries that can be chosen, and the regions of one that have holidays of their own. */
final readonly class PlaceController
{
    public function __construct(private Holidays $holidays) {}

    public function __invoke(Request $request): JsonResponse
    {
        $request->validate(['country' => ['nullable', 'string', 'regex:/\A[A-Z]{2}\z/']]);
        $country = $request->string('country')->toString();

        return new JsonResponse([
            'countries' => array_map(static fn(string $code, string $name): array => ['code' => $code, 'name' => $name], array_keys(Countries::all()), Countries::all()),
            'regions' => $country === '' ? [] : array_map(static fn(string $code, string $name): array => ['code' => $code, 'name' => $name], array_keys($this->holidays->regions($country)), $this->holidays->regions($country)),
            'holidaysKnown' => $country !== '' && $this->holidays->knows($country),
        ]);
    }
}

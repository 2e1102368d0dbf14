<?php

declare(strict_types=1);

namespace App\People;

use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Syndex\Core\Invitations\AddressCheck;
use Syndex\Core\Invitations\MailAddress;

/** Outside guests by address: checked as typed, remembered when taken. */
final class GuestController
{
    private const KNOWN_DOMAINS = 200;

    /** What is to be said of an address as typed. Nothing is kept. */
    public function check(Request $request): JsonResponse
    {
        $request->validate(['address' => ['present', 'nullable', 'string', 'max:300']]);
        $check = $this->checked($request);

        return new JsonResponse([
            'address' => $check->address,
            'name' => $check->name,
            'problem' => $check->problem,
            'suggestion' => $check->suggestion,
            'message' => $check->problem === null || $check->problem === 'slip' ? null : __('people.address_' . $check->problem),
        ]);
    }

    /** The person with this address: whoever has it, or a guest made now. */
    public function remember(Request $request, SavePerson $save): JsonResponse
    {
        $request->validate(['address' => ['required', 'string', 'max:300']]);
        $check = MailAddress::check($request->string('address')->toString());
        if ($check->address === null) {
            throw ValidationException::withMessages(['address' => __('people.address_' . $check->problem)]);
        }
        $person = Person::query()->where('email', $check->address)->first()
            ?? $save(new Person(), ['kind' => PersonKind::Guest, 'email' => $check->address, 'name' => $check->name]);

        return new JsonResponse((new PersonResource($person))->toArray($request));
    }

    private function checked(Request $request): AddressCheck
    {
        $domains = Person::query()->select('email_domain')->groupBy('email_domain')->orderByRaw('count(*) desc')->limit(self::KNOWN_DOMAINS)->pluck('email_domain')->map(strval(...))->all();

        return MailAddress::check($request->string('address')->toString(), array_values($domains));
    }
}

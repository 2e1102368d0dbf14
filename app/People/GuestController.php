<?php

declare(strict_types=1);

namespace App\People;

use App\Failure\Decide;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Syndex\Core\Invitations\AddressBlock;
use Syndex\Core\Invitations\AddressCheck;

/** Outside guests by address, one or a block of them: checked as typed, remembered when taken. */
final readonly class GuestController
{
    private const KNOWN_DOMAINS = 200;

    /** Characters of a block. */
    private const MOST = 40_000;

    public function __construct(private FindOrRemember $find) {}

    /** What is to be said of each address as typed. Nothing is kept. */
    public function check(Request $request): JsonResponse
    {
        $request->validate(['address' => ['present', 'nullable', 'string', 'max:' . self::MOST]]);
        $domains = array_values(Person::query()->select('email_domain')->groupBy('email_domain')->orderByRaw('count(*) desc')->limit(self::KNOWN_DOMAINS)->pluck('email_domain')->map(strval(...))->all());
        $read = AddressBlock::read($request->string('address')->toString(), $domains);

        return new JsonResponse(['addresses' => array_map(self::said(...), $read)]);
    }

    /** The people with these addresses: whoever has one, or a guest made now. All of them, or none. */
    public function remember(Request $request): JsonResponse
    {
        $request->validate(['addresses' => ['required', 'array', 'list', 'max:' . AddressBlock::MOST], 'addresses.*' => ['required', 'string', 'max:500']]);
        $checks = [];
        foreach ((array) $request->input('addresses') as $at => $typed) {
            $read = AddressBlock::read((string) $typed);
            if (count($read) !== 1 || $read[0]->address === null) {
                throw ValidationException::withMessages(["addresses.$at" => count($read) > 1 ? __('people.address_several') : __('people.address_' . ($read[0]->problem ?? 'empty'))]);
            }
            $checks[] = $read[0];
        }
        $people = Decide::on(fn(): array => array_map(fn(AddressCheck $c): Person => ($this->find)((string) $c->address, $c->name), $checks));

        return new JsonResponse(array_map(static fn(Person $p): array => (new PersonResource($p))->toArray($request), $people));
    }

    /** @return array<string, mixed> */
    private static function said(AddressCheck $check): array
    {
        return [
            'typed' => $check->typed,
            'address' => $check->address,
            'name' => $check->name,
            'problem' => $check->problem,
            'suggestion' => $check->suggestion,
            'message' => $check->problem === null || $check->problem === 'slip' ? null : __('people.address_' . $check->problem),
        ];
    }
}

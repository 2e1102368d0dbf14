<?php

declare(strict_types=1);

namespace App\People;

use App\Access\KnownBrowser;
use App\Access\KnownZone;
use App\Access\Network;
use App\Access\SignInPace;
use App\Access\SignInTry;
use App\Failure\SignInFailed;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Hash;
use Syndex\Core\Invitations\MailAddress;
use Syndex\Core\Time\ZoneData;

final readonly class SessionController
{
    public function __construct(private SessionView $view) {}

    public function show(Request $request): JsonResponse
    {
        return new JsonResponse($this->view->of($request));
    }

    public function store(Request $request, SignInPace $pace): JsonResponse
    {
        $request->validate(['email' => ['required', 'string', 'max:254'], 'password' => ['required', 'string', 'max:1000']]);
        $key = MailAddress::key($request->string('email')->trim()->toString());
        $browser = KnownBrowser::of($request);
        $try = SignInTry::of($key, Network::of($request), $browser);
        $wait = $pace->enter($try);
        if ($wait > 0) {
            throw SignInFailed::tooFast($wait);
        }
        $account = Account::query()->with('person')->where('email', $key)->first();
        // One hash of the same cost is worked out in any case, so that the time taken does not tell which addresses have accounts.
        $right = Hash::check($request->string('password')->toString(), $account->password ?? self::nobodysHash());
        if ($account === null || !$right || $account->password === null || !$account->isActive()) {
            throw SignInFailed::wrong();
        }
        $pace->rightAfterAll($try);
        if ($account->demo && !Network::isThisMachine($request)) {
            throw SignInFailed::demoElsewhere();
        }
        if (Hash::needsRehash($account->password)) {
            $account->password = $request->string('password')->toString();
        }
        Auth::login($account);
        $request->session()->regenerate();
        $account->forceFill(['signed_in_at' => now()])->save();

        return (new JsonResponse($this->view->of($request)))->withCookie($browser->letInto($try->account));
    }

    public function destroy(Request $request): Response
    {
        Auth::guard('web')->logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return new Response(status: 204);
    }

    public function settings(Request $request, ZoneData $zones): JsonResponse
    {
        $values = $request->validate([
            'shortcuts' => ['sometimes', 'boolean'],
            'clocks' => ['sometimes', 'array', 'max:4'],
            'clocks.*' => ['string', new KnownZone($zones)],
            'zone' => ['sometimes', 'string', new KnownZone($zones)],
        ]);
        /** @var Account $account */
        $account = $request->user();
        $zone = $values['zone'] ?? null;
        unset($values['zone']);
        $account->update(['settings' => [...($account->settings ?? []), ...$values]]);
        if (is_string($zone)) {
            $account->person->update(['zone' => $zone]);
        }

        return new JsonResponse($this->view->of($request));
    }

    /** A hash in the form and at the cost of real ones, of no password at all. */
    private static function nobodysHash(): string
    {
        $plain = static fn(int $octets): string => rtrim(base64_encode(str_repeat('n', $octets)), '=');

        return sprintf('$argon2id$v=19$m=%d,t=%d,p=%d$%s$%s', config('hashing.argon.memory'), config('hashing.argon.time'), config('hashing.argon.threads'), $plain(16), $plain(32));
    }
}

<?php

declare(strict_types=1);

namespace App\People;

use Illuminate\Support\Facades\DB;
use Syndex\Core\Joining\PhoneText;
use Syndex\Core\Time\ZoneCountries;

/** In which country people are: as they say, else as their telephone number says, else as their zone does. */
final class Whereabouts
{
    /**
     * @param  list<string>  $ids
     * @return array<string, array{kind: PersonKind, country: ?string, signsIn: bool}> by person, of those there are; who has an account can sign in
     */
    public function of(array $ids): array
    {
        if ($ids === []) {
            return [];
        }
        $accounts = DB::table('accounts')->whereNull('deactivated_at')->whereRaw(...ManyIds::in('person_id', $ids))->pluck('person_id')->flip();
        [$some, $bound] = ManyIds::in('id', $ids);
        $asked = array_flip($ids);
        $found = $byZone = [];
        foreach (DB::table('people')->select(['id', 'kind', 'country', 'phone', 'zone'])->whereRaw($some, $bound)->get() as $row) {
            $id = (string) $row->id;
            if (isset($asked[$id])) {
                $country = $row->country ?? ($row->phone === null ? null : PhoneText::country((string) $row->phone));
                $zone = (string) $row->zone;
                $found[$id] = [
                    'kind' => PersonKind::from((string) $row->kind),
                    'country' => $country === null && $zone !== '' ? $byZone[$zone] ??= ZoneCountries::of($zone) : $country,
                    'signsIn' => isset($accounts[$id]),
                ];
            }
        }

        return $found;
    }
}

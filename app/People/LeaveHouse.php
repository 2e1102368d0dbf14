<?php

declare(strict_types=1);

namespace App\People;

use App\Failure\NotNow;
use App\Failure\NotYours;
use App\Live\Live;
use Illuminate\Support\Facades\DB;

/** A colleague leaves: their account ends, their calendar, journeys and teams with it; their entry stays for what is past. Within a transaction. */
final readonly class LeaveHouse
{
    public function __construct(private Live $live) {}

    /** @throws NotYours if they have an account and whoever asks is no administrator */
    public function __invoke(Person $person, Account $by): void
    {
        $account = Account::query()->lockForUpdate()->where('person_id', $person->id)->whereNull('deactivated_at')->first();
        if ($account !== null && $by->role !== Role::Administrator) {
            throw NotYours::endOfAccount();
        }
        if ($account !== null) {
            if ($account->role === Role::Administrator && !Account::query()->where('role', Role::Administrator)->whereNull('deactivated_at')->where('id', '!=', $account->id)->lockForUpdate()->exists()) {
                throw NotNow::lastAdministrator();
            }
            DB::table('sessions')->where('user_id', $account->id)->delete();
            $account->update(['deactivated_at' => now()]);
            AccountToken::query()->where('account_id', $account->id)->delete();
            $this->live->hangUp($account->id);
        }
        Calendar::query()->where('person_id', $person->id)->delete();
        Journey::query()->where('person_id', $person->id)->delete();
        DB::table('team_members')->where('person_id', $person->id)->delete();
        Person::query()->where('stand_in_id', $person->id)->update(['stand_in_id' => null]);
        Absence::query()->where('stand_in_id', $person->id)->update(['stand_in_id' => null]);
        Person::query()->whereKey($person->id)->update(['left_at' => now()]);
        $this->live->tell([Live::COORDINATION], 'person', $person->id);
    }

    /** They are with us again. Their account, if they had one, is for an administrator to open. */
    public function back(Person $person): void
    {
        Person::query()->whereKey($person->id)->whereNull('forgotten_at')->update(['left_at' => null]);
        $this->live->tell([Live::COORDINATION], 'person', $person->id);
    }
}

<?php

declare(strict_types=1);

namespace App\Planning;

use App\Failure\Decide;
use App\Failure\NotNow;
use App\Live\Live;
use App\People\Account;
use App\People\Role;
use App\People\SearchKey;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Validation\ValidationException;

/** The blueprints of a house: one's own, and those that a team shares. */
final readonly class Blueprints
{
    /** So many of one's own. */
    public const MOST = 200;

    public function __construct(private StartDraft $startDraft, private Live $live) {}

    /** @return Builder<Blueprint> one's own and those of one's teams, in their order */
    public function visibleTo(Account $account): Builder
    {
        return Blueprint::query()
            ->where(static fn(Builder $q) => $q->where('account_id', $account->id)->orWhereIn('team_id', $account->person->teams()->select('teams.id')))
            ->orderByRaw('account_id = ? desc', [$account->id])->orderBy('position')->orderBy('name_key');
    }

    public function find(Account $account, string $id): Blueprint
    {
        return $this->visibleTo($account)->whereKey($id)->firstOrFail();
    }

    /** Whose it is may change it, and so may administrators, since people leave. */
    public function mayChange(Account $account, Blueprint $blueprint): bool
    {
        return $blueprint->account_id === $account->id || $account->role === Role::Administrator;
    }

    /** Of what a meeting is now. */
    public function derive(Account $account, Meeting $meeting, string $name, ?string $teamId, ?string $words): Blueprint
    {
        return Decide::on(static function () use ($account, $meeting, $name, $teamId, $words): Blueprint {
            // Names are one's own: two at once wait for each other.
            Account::query()->whereKey($account->id)->lockForUpdate()->firstOrFail();
            $own = Blueprint::query()->where('account_id', $account->id)->get(['id', 'position']);
            if ($own->count() >= self::MOST) {
                throw NotNow::tooManyBlueprints(self::MOST);
            }
            $blueprint = Blueprint::query()->create([
                'account_id' => $account->id, 'team_id' => $teamId, ...self::named($account->id, $name, null),
                'position' => 1 + (int) $own->max('position'), 'words' => $words, 'content' => BlueprintContent::of($meeting),
            ]);
            $meeting->update(['blueprint_id' => $blueprint->id]);

            return $blueprint;
        });
    }

    /** @param array{name?: string, team_id?: ?string, words?: ?string} $values */
    public function change(Blueprint $blueprint, array $values): Blueprint
    {
        return Decide::on(static function () use ($blueprint, $values): Blueprint {
            Account::query()->whereKey($blueprint->account_id)->lockForUpdate()->firstOrFail();
            $blueprint = Blueprint::query()->lockForUpdate()->findOrFail($blueprint->id);
            $blueprint->update([...$values, ...(isset($values['name']) ? self::named($blueprint->account_id, $values['name'], $blueprint->id) : []), 'version' => $blueprint->version + 1]);

            return $blueprint;
        });
    }

    /** It becomes what a meeting is now. */
    public function takeOver(Blueprint $blueprint, Meeting $meeting): Blueprint
    {
        return Decide::on(static function () use ($blueprint, $meeting): Blueprint {
            $blueprint = Blueprint::query()->lockForUpdate()->findOrFail($blueprint->id);
            $blueprint->update(['content' => BlueprintContent::of($meeting), 'version' => $blueprint->version + 1]);
            $meeting->update(['blueprint_id' => $blueprint->id]);

            return $blueprint;
        });
    }

    /** A draft that begins with what it holds. */
    public function start(Blueprint $blueprint, Account $account): Meeting
    {
        return Decide::on(function () use ($blueprint, $account): Meeting {
            $meeting = $this->startDraft->copyOf(BlueprintContent::meeting($blueprint->content), $account);
            $meeting->update(['blueprint_id' => $blueprint->id]);
            Blueprint::query()->whereKey($blueprint->id)->increment('used');
            $this->live->tell([Live::COORDINATION], 'blueprint', $blueprint->id);

            return $meeting;
        });
    }

    /** @param list<string> $ids one's own, in their new order; others keep theirs after them */
    public function order(Account $account, array $ids): void
    {
        Decide::on(static function () use ($account, $ids): void {
            $own = Blueprint::query()->where('account_id', $account->id)->lockForUpdate()->orderBy('position')->pluck('id')->map(strval(...))->all();
            $first = array_values(array_intersect($ids, $own));
            foreach ([...$first, ...array_diff($own, $first)] as $at => $id) {
                Blueprint::query()->whereKey($id)->update(['position' => $at + 1]);
            }
        });
    }

    /** @return array{name: string, name_key: string} */
    private static function named(string $accountId, string $name, ?string $id): array
    {
        $name = trim($name);
        $key = SearchKey::name($name);
        if ($key === '') {
            throw ValidationException::withMessages(['name' => __('planning.blueprint_name')]);
        }
        if (Blueprint::query()->where('account_id', $accountId)->where('name_key', $key)->when($id !== null, fn($q) => $q->where('id', '!=', $id))->exists()) {
            throw ValidationException::withMessages(['name' => __('planning.blueprint_taken')]);
        }

        return ['name' => $name, 'name_key' => $key];
    }
}

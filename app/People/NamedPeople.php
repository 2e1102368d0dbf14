<?php

declare(strict_types=1);

namespace App\People;

use Illuminate\Validation\ValidationException;

/** People who are named in a request by their ids: all of them are there, and none has left. */
final class NamedPeople
{
    private const MOST = 100;

    /** @return array<string, list<mixed>> */
    public static function rules(): array
    {
        return ['people' => ['required', 'array', 'list', 'min:1', 'max:' . self::MOST], 'people.*' => ['bail', 'required', 'string', 'max:26', 'distinct']];
    }

    /**
     * @param  list<string>  $ids
     * @return list<Person> in the order asked
     *
     * @throws ValidationException if one of them is not there
     */
    public static function found(array $ids): array
    {
        $found = Person::query()->whereIn('id', $ids)->whereNull('left_at')->get()->keyBy('id');

        return array_map(static fn(string $id, int $at): Person => $found->get($id) ?? throw ValidationException::withMessages(["people.$at" => __('planning.unknown_person')]), $ids, array_keys($ids));
    }

    /**
     * @param  list<string>  $ids
     * @return list<string>
     *
     * @throws ValidationException
     */
    public static function ids(array $ids): array
    {
        return array_map(static fn(Person $p): string => $p->id, self::found($ids));
    }
}

<?php

declare(strict_types=1);

namespace App\Planning;

use App\People\Account;
use Syndex\Core\Sentence\Grammar;
use Syndex\Core\Sentence\SentencePiece;
use Syndex\Core\Time\PlaceName;

/** A blueprint as it is listed: enough to know it again. */
final readonly class BlueprintView
{
    public function __construct(private MeetingSeries $series, private Grammar $grammar, private Blueprints $blueprints, private RoomOf $rooms) {}

    /** @return array<string, mixed> */
    public function of(Blueprint $blueprint, Account $account): array
    {
        $meeting = BlueprintContent::meeting($blueprint->content);
        $series = $this->series->of($meeting);
        $repeats = array_values(array_filter($this->grammar->pieces($series, $meeting->duration_minutes), static fn(SentencePiece $piece): bool => $piece->part === 'repeats'));
        $rules = $this->rooms->policy($meeting->host_id)->rules(RoomChoices::of($meeting)->settings);

        return [
            'id' => $blueprint->id,
            'name' => $blueprint->name,
            'title' => $meeting->title,
            'repeats' => $series->rule === null ? null : $repeats[0]->text ?? null,
            'clock' => $meeting->all_day ? null : $meeting->starts_local->format('H:i'),
            'city' => PlaceName::of($meeting->zone),
            'minutes' => $meeting->duration_minutes,
            'people' => $meeting->attendees->count(),
            'joinMode' => $meeting->join_mode->value,
            'doors' => $rules->entry()->doors,
            'lobby' => array_column($rules->entry()->lobby, 'value'),
            'words' => $blueprint->words ?? '',
            'used' => $blueprint->used,
            'owner' => $blueprint->account_id === $account->id ? null : $blueprint->account->person->called(),
            'team' => $blueprint->team === null ? null : ['id' => $blueprint->team->id, 'name' => $blueprint->team->name],
            'mayChange' => $this->blueprints->mayChange($account, $blueprint),
        ];
    }
}

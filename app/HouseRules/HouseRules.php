<?php

declare(strict_types=1);

namespace App\HouseRules;

use Illuminate\Support\Facades\DB;

/** The defaults and locks of the organisation. */
final class HouseRules
{
    /** @var ?array<string, mixed> */
    private ?array $known = null;

    /** The name that stands over guests' pages and in mails. */
    public function organisation(): string
    {
        return (string) ($this->all()['organisation'] ?? config('syndex.mail_name'));
    }

    /** Whose address is ORGANIZER: the meeting's own, or the host's. */
    public function organizer(): OrganizerAddress
    {
        return OrganizerAddress::from((string) ($this->all()['organizer'] ?? OrganizerAddress::Meeting->value));
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['organisation' => $this->organisation(), 'organizer' => $this->organizer()->value, 'mailDomain' => config('syndex.mail_domain')];
    }

    /** @param array<string, mixed> $values */
    public function set(array $values): void
    {
        DB::transaction(static function () use ($values): void {
            foreach ($values as $name => $value) {
                DB::table('house_rules')->updateOrInsert(['name' => $name], ['value' => json_encode($value), 'updated_at' => now()]);
            }
        });
        $this->known = null;
    }

    /** @return array<string, mixed> */
    private function all(): array
    {
        return $this->known ??= DB::table('house_rules')->pluck('value', 'name')->map(static fn($v) => json_decode((string) $v, true))->all();
    }
}

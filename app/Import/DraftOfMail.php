<?php

declare(strict_types=1);

namespace App\Import;

use App\Failure\Decide;
use App\People\Account;
use App\People\FindOrRemember;
use App\Planning\Attendee;
use App\Planning\KeepRows;
use App\Planning\Meeting;
use App\Planning\SheetLimits;
use App\Planning\StartDraft;
use Syndex\Core\ICalendar\AttendeeRole;
use Syndex\Core\Invitations\MailAddress;
use ZBateson\MailMimeParser\Header\AddressHeader;
use ZBateson\MailMimeParser\IMessage;

/**
 * Begins a draft with the people of a mail: who sent it and who got it are required, copies went to who is optional. The coordinator
 * is there anyway. Everything is still to be confirmed on the sheet.
 */
final readonly class DraftOfMail
{
    /** What programs put before a subject that answers or passes on another, in several languages (common practice, no published source). */
    private const PREFIXES = '/\A(?:\s*(?:re|fwd?|aw|wg|sv|vs|rv|tr|enc|res|antw|doorst|odp|r|i)\s*(?:\[\d+\])?\s*[:：])+\s*/iu';

    public function __construct(private StartDraft $start, private FindOrRemember $find) {}

    /** @return array{Meeting, list<string>} the draft, and what did not come over as it was */
    public function __invoke(Account $account, IMessage $mail): array
    {
        $notes = [];
        $title = trim((string) preg_replace(self::PREFIXES, '', trim((string) $mail->getHeaderValue('Subject'))));
        $text = self::text($mail);
        if (mb_strlen($text) > SheetLimits::PURPOSE) {
            $notes[] = str_replace(':count', (string) SheetLimits::PURPOSE, (string) __('import.cut_purpose'));
        }

        return Decide::on(function () use ($account, $mail, $title, $text, &$notes): array {
            $draft = $this->start->blank($account);
            $people = array_values($draft->attendees()->get()->map(static fn(Attendee $a): array => ['personId' => $a->person_id, 'role' => $a->role])->all());
            $known = array_column($people, 'personId');
            $unusable = 0;
            foreach ($this->addresses($account, $mail, $unusable) as [$address, $name, $role]) {
                $person = ($this->find)($address, $name);
                if (!in_array($person->id, $known, true) && count($people) < SheetLimits::PEOPLE_OF_A_FILE) {
                    $known[] = $person->id;
                    $people[] = ['personId' => $person->id, 'role' => $role];
                }
            }
            if ($unusable > 0) {
                $notes[] = trans_choice('import.addresses', $unusable);
            }
            KeepRows::attendees($draft, $people);
            $draft->update(['title' => mb_substr($title, 0, SheetLimits::TITLE), 'purpose' => $text === '' ? null : mb_substr($text, 0, SheetLimits::PURPOSE), 'shown_at' => $draft->starts_local]);

            return [$draft, $notes];
        });
    }

    /** @return list<array{string, ?string, AttendeeRole}> addresses as they stood, the coordinator's own and ours left out */
    private function addresses(Account $account, IMessage $mail, int &$unusable): array
    {
        $own = array_map(MailAddress::key(...), [$account->email, $account->person->email]);
        $found = [];
        foreach (['From' => AttendeeRole::Required, 'To' => AttendeeRole::Required, 'Cc' => AttendeeRole::Optional] as $header => $role) {
            $named = $mail->getHeader($header);
            foreach ($named instanceof AddressHeader ? $named->getAddresses() : [] as $one) {
                $checked = MailAddress::check((string) $one->getEmail())->address;
                if ($checked === null) {
                    $unusable++;
                } elseif (!in_array(MailAddress::key($checked), $own, true) && !str_ends_with(strtolower($checked), '@' . config('syndex.mail_domain'))) {
                    $found[] = [$checked, trim((string) $one->getName()) ?: null, $role];
                }
            }
        }

        return $found;
    }

    private static function text(IMessage $mail): string
    {
        $text = $mail->getTextContent() ?? html_entity_decode(strip_tags((string) preg_replace('~<(style|script)\b.*?</\1>|<br\s*/?>|</p>~is', "\n", (string) $mail->getHtmlContent())), ENT_QUOTES | ENT_HTML5);

        return trim((string) preg_replace("/\n{3,}/", "\n\n", str_replace(["\r\n", "\r", "\0"], ["\n", "\n", ''], mb_scrub($text))));
    }
}

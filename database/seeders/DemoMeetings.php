<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Answers\Via;

/**
 * Meetings of the demo, as a table. Starts are written relative to the day of seeding, in days, or to the minute
 * ("now"), so that every state is seen whenever it is seeded.
 *
 * @phpstan-type Row array{title: string, purpose?: string, agenda?: list<array{string, ?int, ?string}>, host: string, zone: string,
 *   day: int, at: string, minutes: int, rule?: string, who: list<string>, maybe?: list<string>, guests?: list<string>, join: string,
 *   place?: string, status: string}
 */
final class DemoMeetings
{
    /** @return list<Row> */
    public static function rows(): array
    {
        return [
            ['title' => 'Cold store rota', 'purpose' => 'Who checks which store until tomorrow.', 'host' => 'joram.kiptui', 'zone' => 'Africa/Nairobi', 'day' => 0, 'at' => 'now-240', 'minutes' => 30, 'rule' => 'FREQ=DAILY;COUNT=28', 'who' => ['joram.kiptui', 'wanjiru.achola', 'amina.mwendwa', 'tomas.sequeira'], 'join' => 'online', 'status' => 'sent'],
            ['title' => 'Propagation desk', 'purpose' => 'Open questions on cuttings and stratification.', 'host' => 'amina.mwendwa', 'zone' => 'Africa/Nairobi', 'day' => 0, 'at' => 'now-15', 'minutes' => 45, 'rule' => 'FREQ=WEEKLY;COUNT=10', 'who' => ['amina.mwendwa', 'joram.kiptui', 'lerato.nkomani', 'wanjiru.achola'], 'join' => 'online', 'status' => 'sent'],
            ['title' => 'Trial review', 'purpose' => 'Decide which dryland lots go on to the second season.', 'agenda' => [['Germination so far', 10, 'Birte'], ['Lots to drop', 20, 'Corin'], ['Next steps', 10, null]], 'host' => 'ines.varela', 'zone' => 'Europe/Lisbon', 'day' => 0, 'at' => 'now+45', 'minutes' => 45, 'who' => ['ines.varela', 'wanjiru.achola', 'paulo.cardim', 'birte.aldenhoff'], 'maybe' => ['corin.hale'], 'join' => 'online', 'status' => 'sent'],
            ['title' => 'Exchange review with Andes gardens', 'purpose' => 'Agree on the lots that cross the border in spring.', 'host' => 'paulo.cardim', 'zone' => 'America/Lima', 'day' => 0, 'at' => 'now+195', 'minutes' => 45, 'who' => ['paulo.cardim', 'wanjiru.achola', 'camila.rojas'], 'guests' => ['rosa.quispe@anden.example', 'm.ferreira@herbario.example', 'lena@orchard.example'], 'join' => 'online', 'status' => 'sent'],
            ['title' => 'Quarterly trials', 'purpose' => 'All gardens report on the quarter.', 'agenda' => [['Round of reports', 45, null], ['What we learned', 15, 'Birte'], ['Next quarter', 15, 'Wanjiru']], 'host' => 'wanjiru.achola', 'zone' => 'Africa/Nairobi', 'day' => 7, 'at' => '14:00', 'minutes' => 75, 'rule' => 'FREQ=MONTHLY;INTERVAL=3;COUNT=8', 'who' => ['wanjiru.achola', 'ines.varela', 'birte.aldenhoff', 'lerato.nkomani', 'anil.sherpani', 'otis.farrow'], 'maybe' => ['june.halloway', 'kenji.moriwaki'], 'join' => 'online', 'status' => 'sent'],
            ['title' => 'Stock taking', 'purpose' => 'Count the drying room together.', 'host' => 'ines.varela', 'zone' => 'Europe/Lisbon', 'day' => 27, 'at' => '12:00', 'minutes' => 90, 'rule' => 'FREQ=WEEKLY;INTERVAL=20;COUNT=3', 'who' => ['ines.varela', 'tomas.sequeira'], 'join' => 'in_person', 'place' => 'Drying room, Lisbon garden', 'status' => 'sent'],
            ['title' => 'Systems window', 'purpose' => 'Catalogue and sensors are off for half an hour.', 'host' => 'joram.kiptui', 'zone' => 'Africa/Nairobi', 'day' => 83, 'at' => '15:00', 'minutes' => 90, 'rule' => 'FREQ=WEEKLY;INTERVAL=20;COUNT=3', 'who' => ['joram.kiptui', 'rainer.uhlmark'], 'join' => 'online', 'status' => 'sent'],
            ['title' => 'Fern swap', 'purpose' => 'Spores across the Tasman.', 'host' => 'mere.tautari', 'zone' => 'Pacific/Auckland', 'day' => 2, 'at' => '10:00', 'minutes' => 45, 'rule' => 'FREQ=WEEKLY;COUNT=26', 'who' => ['mere.tautari', 'aroha.matiu', 'jarrah.whitlam'], 'maybe' => ['pippa.renwick'], 'join' => 'online', 'status' => 'sent'],
            ['title' => 'Records clean-up', 'purpose' => 'Twenty doubtful accessions a week.', 'host' => 'rainer.uhlmark', 'zone' => 'Europe/Berlin', 'day' => 1, 'at' => '09:15', 'minutes' => 45, 'rule' => 'FREQ=WEEKLY;BYDAY=TU,TH', 'who' => ['rainer.uhlmark', 'birte.aldenhoff', 'ines.varela'], 'join' => 'online', 'status' => 'sent'],
            ['title' => 'Orchid round', 'host' => 'priya.vaidyan', 'zone' => 'Asia/Kolkata', 'day' => 3, 'at' => '15:30', 'minutes' => 60, 'rule' => 'FREQ=MONTHLY;BYDAY=1TH;COUNT=12', 'who' => ['priya.vaidyan', 'mei.tanglin', 'anil.sherpani'], 'maybe' => ['ravi.chandekar'], 'join' => 'online', 'status' => 'sent'],
            ['title' => 'Vault inspection', 'purpose' => 'Temperature log, doors, spare keys.', 'host' => 'sunniva.ekre', 'zone' => 'Europe/Oslo', 'day' => 9, 'at' => '11:00', 'minutes' => 60, 'rule' => 'FREQ=MONTHLY;BYDAY=-1FR;COUNT=12', 'who' => ['sunniva.ekre', 'lena.strand', 'joram.kiptui'], 'join' => 'both', 'place' => 'Vault, east entrance', 'status' => 'sent'],
            ['title' => 'Prairie seed call', 'purpose' => 'Growers of the plains, before the thaw.', 'host' => 'otis.farrow', 'zone' => 'America/Chicago', 'day' => 4, 'at' => '08:30', 'minutes' => 45, 'rule' => 'FREQ=WEEKLY;COUNT=20', 'who' => ['otis.farrow', 'ewan.furlong', 'paulo.cardim'], 'guests' => ['office@growers-union.example'], 'join' => 'online', 'status' => 'sent'],
            ['title' => 'Fynbos fire season', 'purpose' => 'What burned, what to collect after.', 'host' => 'lerato.nkomani', 'zone' => 'Africa/Johannesburg', 'day' => 5, 'at' => '10:00', 'minutes' => 45, 'rule' => 'FREQ=WEEKLY;INTERVAL=2;COUNT=8', 'who' => ['lerato.nkomani', 'thandi.mahlaba', 'jarrah.whitlam'], 'join' => 'online', 'status' => 'sent'],
            ['title' => 'Desert house plans', 'host' => 'nour.haddaoui', 'zone' => 'Africa/Cairo', 'day' => 6, 'at' => '10:30', 'minutes' => 30, 'who' => ['nour.haddaoui', 'tariq.alrasheed', 'youssef.belkadi'], 'join' => 'online', 'status' => 'sent'],
            ['title' => 'Matorral survey', 'purpose' => 'Routes and permits for the autumn survey.', 'host' => 'camila.rojas', 'zone' => 'America/Santiago', 'day' => 8, 'at' => '11:00', 'minutes' => 60, 'rule' => 'FREQ=WEEKLY;INTERVAL=3;COUNT=10', 'who' => ['camila.rojas', 'ignacio.pehuen', 'paulo.cardim', 'beatriz.caldeira'], 'join' => 'online', 'status' => 'sent'],
            ['title' => 'Nursery walk', 'purpose' => 'Through the shade houses, phones on.', 'host' => 'mere.tautari', 'zone' => 'Pacific/Auckland', 'day' => 10, 'at' => '14:00', 'minutes' => 45, 'who' => ['mere.tautari', 'aroha.matiu'], 'join' => 'in_person', 'place' => 'Shade house 3', 'status' => 'sent'],
            ['title' => 'Moss garden exchange', 'purpose' => 'Divisions for the northern gardens.', 'host' => 'kenji.moriwaki', 'zone' => 'Asia/Tokyo', 'day' => 11, 'at' => '16:00', 'minutes' => 45, 'rule' => 'FREQ=MONTHLY;BYMONTHDAY=15;COUNT=6', 'who' => ['kenji.moriwaki', 'hana.obinata', 'dara.keanemoss', 'sunniva.ekre'], 'join' => 'online', 'status' => 'sent'],
            ['title' => 'Yam collection hand-over', 'host' => 'ifeoma.adicheobi', 'zone' => 'Africa/Lagos', 'day' => 12, 'at' => '13:00', 'minutes' => 30, 'who' => ['ifeoma.adicheobi', 'amina.mwendwa'], 'join' => 'online', 'status' => 'called_off'],
            ['title' => 'Island flora talk', 'purpose' => 'A first look at the new glasshouse.', 'host' => 'malia.kahananui', 'zone' => 'Pacific/Honolulu', 'day' => 14, 'at' => '09:00', 'minutes' => 45, 'who' => ['malia.kahananui', 'solveig.brandt', 'mere.tautari'], 'join' => 'online', 'status' => 'called_off'],
            ['title' => 'Board of the network', 'purpose' => 'Budget and the next host garden.', 'host' => 'wanjiru.achola', 'zone' => 'Africa/Nairobi', 'day' => 20, 'at' => '16:00', 'minutes' => 90, 'who' => ['wanjiru.achola', 'lena.strand', 'june.halloway', 'hana.obinata'], 'join' => 'both', 'place' => 'Library, Nairobi garden', 'status' => 'kept'],
            ['title' => 'Orchid house heating', 'host' => 'priya.vaidyan', 'zone' => 'Asia/Kolkata', 'day' => 15, 'at' => '11:00', 'minutes' => 30, 'who' => ['priya.vaidyan', 'ravi.chandekar'], 'join' => 'undecided', 'status' => 'kept'],
            ['title' => 'Grower exchange', 'purpose' => "Compare germination of this season's lots, settle who ships what.", 'agenda' => [['Arrivals', 5, null], ['Lots 40–58', 25, 'Wanjiru'], ['Shipping', 15, 'Inês']], 'host' => 'wanjiru.achola', 'zone' => 'Africa/Nairobi', 'day' => 13, 'at' => '15:30', 'minutes' => 45, 'rule' => 'FREQ=WEEKLY;INTERVAL=2;BYDAY=TU;COUNT=12', 'who' => ['wanjiru.achola', 'ines.varela', 'mere.tautari', 'corin.hale', 'paulo.cardim', 'joram.kiptui', 'anil.sherpani'], 'maybe' => ['ewan.furlong', 'amina.mwendwa'], 'guests' => ['lena@orchard.example'], 'join' => 'online', 'status' => 'draft'],
            ['title' => 'Public lecture', 'purpose' => 'How a seed bank decides what to keep.', 'host' => 'june.halloway', 'zone' => 'America/New_York', 'day' => 34, 'at' => '12:00', 'minutes' => 60, 'who' => ['june.halloway', 'wanjiru.achola'], 'join' => 'undecided', 'status' => 'draft'],
            ['title' => 'Spring swap', 'host' => 'dara.keanemoss', 'zone' => 'Europe/Dublin', 'day' => 40, 'at' => '10:00', 'minutes' => 45, 'who' => ['dara.keanemoss', 'birte.aldenhoff'], 'join' => 'undecided', 'status' => 'draft'],
            ['title' => 'Garden directors’ day', 'purpose' => 'A whole day, each in their own garden.', 'host' => 'lena.strand', 'zone' => 'Europe/Stockholm', 'day' => 21, 'at' => 'all_day', 'minutes' => 1440, 'rule' => 'FREQ=YEARLY;COUNT=5', 'who' => ['lena.strand', 'wanjiru.achola', 'mere.tautari', 'camila.rojas'], 'join' => 'undecided', 'status' => 'sent'],
        ];
    }

    /** @return array<string, array{string, bool, ?string, array<string, mixed>}> blueprints by name: the meeting of which, whether shared, words, settings of its room */
    public static function blueprints(): array
    {
        return [
            'Board meeting' => ['Board of the network', false, 'Please read the papers before.', ['lobby' => ['everyone'], 'recording' => false, 'countries' => ['allow' => ['KE', 'PT', 'NZ', 'PE', 'IE']]]],
            'Grower call' => ['Grower exchange', true, null, ['doors' => 15]],
            'Trial review' => ['Trial review', true, 'Bring your lots.', ['beforeHost' => 'enter', 'lobby' => []]],
            'Quarterly report' => ['Quarterly trials', false, null, ['microphones' => 'off']],
            'Exchange with gardens abroad' => ['Exchange review with Andes gardens', true, null, ['lobby' => ['guests', 'not_signed_in']]],
            'Stock taking' => ['Stock taking', false, null, []],
            'Short daily round' => ['Cold store rota', false, null, ['doors' => 2]],
            'Lecture for the public' => ['Public lecture', false, 'Questions are welcome at the end.', ['invitedOnly' => false, 'passcode' => false, 'microphones' => 'off', 'cameras' => 'off', 'chat' => 'hosts']],
            'Survey planning' => ['Matorral survey', false, null, []],
            'Directors’ day' => ['Garden directors’ day', false, null, []],
        ];
    }

    /** @return list<array{string, ?int, 'accepted'|'tentative'|'declined', ?string, Via}> who, to which of the dates (null: all), what, in which words, by which way */
    public static function answers(): array
    {
        return [
            ['wanjiru.achola', null, 'accepted', null, Via::Mail],
            ['ines.varela', null, 'accepted', null, Via::Mail],
            ['ines.varela', 1, 'declined', 'On leave until the 14th.', Via::Mail],
            ['birte.aldenhoff', null, 'tentative', 'If the field season allows.', Via::Phone],
            ['lerato.nkomani', null, 'accepted', null, Via::Mail],
            ['otis.farrow', null, 'accepted', null, Via::Mail],
            ['june.halloway', null, 'declined', null, Via::Mail],
        ];
    }
}

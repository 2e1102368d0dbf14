<?php

declare(strict_types=1);

namespace Database\Seeders;

/**
 * The people of an invented network of botanic gardens and seed banks. Nobody of them exists; the domains cannot.
 *
 * @phpstan-type Row array{string, string, string, string, string, ?array<string, list<array{string, string}>>}
 */
final class DemoPeople
{
    private const EARLY = [['07:30', '15:30']];

    /**
     * Name, address, zone, language, job, hours (null: as assumed).
     *
     * @return list<Row>
     */
    public static function colleagues(): array
    {
        return [
            ['Wanjiru Achola', 'wanjiru.achola@sakura-seed.example', 'Africa/Nairobi', 'en', 'Coordination', self::week([['08:00', '17:00']])],
            ['Joram Kiptui', 'joram.kiptui@sakura-seed.example', 'Africa/Nairobi', 'en', 'Systems', self::week([['09:00', '18:00']])],
            ['Inês Varela', 'ines.varela@sakura-seed.example', 'Europe/Lisbon', 'pt', 'Seed bank', self::week([['09:00', '12:30'], ['14:00', '18:00']])],
            ['Lena Strand', 'lena.strand@sakura-seed.example', 'Europe/Stockholm', 'sv', 'Coordination', null],
            ['Tomás Sequeira', 'tomas.sequeira@sakura-seed.example', 'Europe/Lisbon', 'pt', 'Cold store', self::week(self::EARLY)],
            ['Paulo Cárdim', 'paulo.cardim@sakura-seed.example', 'America/Lima', 'es', 'Andes collection', null],
            ['Ewan Furlong', 'ewan.furlong@sakura-seed.example', 'America/St_Johns', 'en', 'Bog plants', self::week([['08:30', '16:30']])],
            ['Anil Sherpani', 'anil.sherpani@sakura-seed.example', 'Asia/Kathmandu', 'en', 'Alpine house', self::week([['10:00', '17:00']], ['sun', 'mon', 'tue', 'wed', 'thu', 'fri'])],
            ['Corin Hale', 'corin.hale@sakura-seed.example', 'Australia/Perth', 'en', 'Dryland trials', null],
            ['Mere Tautari', 'mere.tautari@sakura-seed.example', 'Pacific/Auckland', 'en', 'Fern nursery', self::week([['08:00', '16:30']])],
            ['Amina Mwendwa', 'amina.mwendwa@sakura-seed.example', 'Africa/Nairobi', 'en', 'Herbarium', self::week([['09:00', '17:00']])],
            ['Kenji Moriwaki', 'kenji.moriwaki@sakura-seed.example', 'Asia/Tokyo', 'ja', 'Moss garden', self::week([['09:00', '17:30']])],
            ['Hana Obinata', 'hana.obinata@sakura-seed.example', 'Asia/Tokyo', 'ja', 'Seed exchange', null],
            ['Birte Aldenhoff', 'birte.aldenhoff@sakura-seed.example', 'Europe/Berlin', 'de', 'Germination lab', self::week([['08:00', '16:30']])],
            ['Rainer Uhlmark', 'rainer.uhlmark@sakura-seed.example', 'Europe/Berlin', 'de', 'Records', null],
            ['Sunniva Ekre', 'sunniva.ekre@sakura-seed.example', 'Europe/Oslo', 'nb', 'Arctic vault', null],
            ['Dara Keane-Moss', 'dara.keanemoss@sakura-seed.example', 'Europe/Dublin', 'en', 'Peatland', null],
            ['Youssef Belkadi', 'youssef.belkadi@sakura-seed.example', 'Africa/Casablanca', 'fr', 'Argan trials', null],
            ['Nour Haddaoui', 'nour.haddaoui@sakura-seed.example', 'Africa/Cairo', 'ar', 'Desert house', self::week([['09:00', '17:00']], ['sun', 'mon', 'tue', 'wed', 'thu'])],
            ['Tariq Al-Rasheed', 'tariq.alrasheed@sakura-seed.example', 'Asia/Dubai', 'ar', 'Date palms', null],
            ['Priya Vaidyan', 'priya.vaidyan@sakura-seed.example', 'Asia/Kolkata', 'en', 'Orchids', self::week([['09:30', '18:00']])],
            ['Ravi Chandekar', 'ravi.chandekar@sakura-seed.example', 'Asia/Kolkata', 'en', 'Pollination', null],
            ['Mei Tanglin', 'mei.tanglin@sakura-seed.example', 'Asia/Singapore', 'en', 'Rain forest', null],
            ['Lerato Nkomani', 'lerato.nkomani@sakura-seed.example', 'Africa/Johannesburg', 'en', 'Fynbos', null],
            ['Thandi Mahlaba', 'thandi.mahlaba@sakura-seed.example', 'Africa/Johannesburg', 'en', 'Proteas', null],
            ['Ifeoma Adiche-Obi', 'ifeoma.adicheobi@sakura-seed.example', 'Africa/Lagos', 'en', 'Yam collection', null],
            ['Camila Rojas-Tirado', 'camila.rojas@sakura-seed.example', 'America/Santiago', 'es', 'Matorral', null],
            ['Ignacio Pehuén', 'ignacio.pehuen@sakura-seed.example', 'America/Santiago', 'es', 'Araucaria', null],
            ['Beatriz Caldeira', 'beatriz.caldeira@sakura-seed.example', 'America/Sao_Paulo', 'pt', 'Cerrado', null],
            ['Otis Farrow', 'otis.farrow@sakura-seed.example', 'America/Chicago', 'en', 'Prairie seed', self::week([['08:00', '16:00']])],
            ['June Halloway', 'june.halloway@sakura-seed.example', 'America/New_York', 'en', 'Public programme', null],
            ['Solveig Brandt', 'solveig.brandt@sakura-seed.example', 'America/Vancouver', 'en', 'Conifers', null],
            ['Malia Kahananui', 'malia.kahananui@sakura-seed.example', 'Pacific/Honolulu', 'en', 'Island flora', null],
            ['Jarrah Whitlam', 'jarrah.whitlam@sakura-seed.example', 'Australia/Adelaide', 'en', 'Mallee', null],
            ['Pippa Renwick', 'pippa.renwick@sakura-seed.example', 'Pacific/Chatham', 'en', 'Megaherbs', null],
            ['Aroha Matiu', 'aroha.matiu@sakura-seed.example', 'Pacific/Auckland', 'en', 'Harakeke', null],
        ];
    }

    /** @return array<string, array{string, ?string}> country and region in which people of a zone are at home */
    public static function countries(): array
    {
        return [
            'Africa/Nairobi' => ['KE', null], 'Europe/Lisbon' => ['PT', null], 'Europe/Stockholm' => ['SE', null], 'America/Lima' => ['PE', null],
            'America/St_Johns' => ['CA', 'NL'], 'Asia/Kathmandu' => ['NP', null], 'Australia/Perth' => ['AU', 'WA'], 'Pacific/Auckland' => ['NZ', null],
            'Asia/Tokyo' => ['JP', null], 'Europe/Berlin' => ['DE', 'BE'], 'Europe/Oslo' => ['NO', null], 'Europe/Dublin' => ['IE', null],
            'Africa/Casablanca' => ['MA', null], 'Africa/Cairo' => ['EG', null], 'Asia/Dubai' => ['AE', null], 'Asia/Kolkata' => ['IN', null],
            'Asia/Singapore' => ['SG', null], 'Africa/Johannesburg' => ['ZA', null], 'Africa/Lagos' => ['NG', null], 'America/Santiago' => ['CL', null],
            'America/Sao_Paulo' => ['BR', null], 'America/Chicago' => ['US', 'IL'], 'America/New_York' => ['US', 'NY'], 'America/Vancouver' => ['CA', 'BC'],
            'Pacific/Honolulu' => ['US', 'HI'], 'Australia/Adelaide' => ['AU', 'SA'], 'Pacific/Chatham' => ['NZ', null],
        ];
    }

    /** @return list<array{string, string, int, int}> who is elsewhere: zone, in how many days, for how many */
    public static function journeys(): array
    {
        return [['corin.hale', 'Europe/Lisbon', 24, 9], ['solveig.brandt', 'Europe/Oslo', 5, 6]];
    }

    /** @return list<array{string, int, int, ?string, ?string}> who is away: in how many days, for how many, who covers, a note */
    public static function absences(): array
    {
        return [['corin.hale', 2, 1, 'jarrah.whitlam', null], ['corin.hale', 36, 14, null, 'field season'], ['mei.tanglin', 6, 5, 'ravi.chandekar', null]];
    }

    /** @return array<string, array{?string, list<string>}> teams: the one within which they lie, and their people */
    public static function teams(): array
    {
        return [
            'All growers' => [null, ['amina.mwendwa', 'priya.vaidyan', 'mere.tautari', 'otis.farrow']],
            'Dryland' => ['All growers', ['corin.hale', 'jarrah.whitlam', 'nour.haddaoui', 'tariq.alrasheed', 'youssef.belkadi', 'ignacio.pehuen']],
            'Ferns and mosses' => ['All growers', ['mere.tautari', 'aroha.matiu', 'kenji.moriwaki', 'ewan.furlong', 'dara.keanemoss']],
            'Southern Africa' => ['All growers', ['lerato.nkomani', 'thandi.mahlaba']],
            'Seed banks' => [null, ['ines.varela', 'tomas.sequeira', 'birte.aldenhoff', 'rainer.uhlmark', 'sunniva.ekre', 'hana.obinata']],
            'Cold store' => ['Seed banks', ['tomas.sequeira', 'joram.kiptui', 'sunniva.ekre']],
            'Andes and plains' => [null, ['paulo.cardim', 'camila.rojas', 'ignacio.pehuen', 'beatriz.caldeira']],
            'Coordination' => [null, ['wanjiru.achola', 'lena.strand', 'june.halloway']],
        ];
    }

    /** @return list<array{string, ?string, ?string}> address, name, zone */
    public static function guests(): array
    {
        return [
            ['lena@orchard.example', null, null],
            ['rosa.quispe@anden.example', 'Rosa Quispe', 'America/La_Paz'],
            ['office@growers-union.example', 'Growers’ union', 'Europe/Paris'],
            ['m.ferreira@herbario.example', 'Marta Ferreira', 'America/Sao_Paulo'],
        ];
    }

    /**
     * @param list<array{string, string}> $stretches
     * @param list<string> $days
     * @return array<string, list<array{string, string}>>
     */
    private static function week(array $stretches, array $days = ['mon', 'tue', 'wed', 'thu', 'fri']): array
    {
        return array_fill_keys($days, $stretches);
    }
}

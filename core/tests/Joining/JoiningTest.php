<?php

declare(strict_types=1);

use Syndex\Core\Joining\DialIn;
use Syndex\Core\Joining\InvalidDialIn;
use Syndex\Core\Joining\InvalidMeetingNumber;
use Syndex\Core\Joining\InvalidPasscode;
use Syndex\Core\Joining\MeetingNumber;
use Syndex\Core\Joining\Passcode;
use Syndex\Core\Joining\PhoneText;
use Syndex\Core\Joining\Pin;
use Syndex\Core\Joining\Randomness;

/** Chance that can be repeated. */
function chance(int $seed): Randomness
{
    mt_srand($seed);

    return new class () implements Randomness {
        public function below(int $below): int
        {
            return mt_rand(0, $below - 1);
        }
    };
}

describe('Passcode', function (): void {
    it('is made without look-alikes, of letters and digits both', function (): void {
        $chance = chance(1);
        for ($i = 0; $i < 2000; $i++) {
            expect(Passcode::made($chance)->text)->toMatch('/\A(?=.*\d)(?=.*[A-Za-z])[^0Oo1lIi2Zz5Ss8BuvUV]{8}\z/');
        }
    });

    it('is as strong as its signs are many and of many kinds', function (string $typed, int $bits, string $strength): void {
        // bits = length × log2(signs to choose from), by computation.
        expect(Passcode::typed($typed)->bits())->toBe($bits)->and(Passcode::typed($typed)->strength())->toBe($strength);
    })->with([
        ['123456', 19, 'weak'], ['00000000', 26, 'weak'], ['abcdef', 28, 'weak'], ['garden12', 41, 'good'], ['Saatgut7', 47, 'good'], ['Hn7pR4vkXX', 59, 'strong'], ['mHn7pR4w', 43, 'good'], ['abcdefghij', 47, 'good'],
    ]);

    it('is made as long as it is asked for', function (int $length): void {
        expect(strlen(Passcode::made(chance(3), $length)->text))->toBe($length);
    })->with([6, 8, 16]);

    it('takes none that is shorter than is asked for', function (): void {
        Passcode::typed('Saatgut7', 10);
    })->throws(InvalidPasscode::class);

    it('takes letters and digits only', function (string $typed): void {
        Passcode::typed($typed);
    })->with(['short', 'has space', 'ümlaut1', 'sign-1', 'waytoolongforanybody', ''])->throws(InvalidPasscode::class);

    it('does not say the passcode in its complaint', function (): void {
        try {
            Passcode::typed('s3cret!');
        } catch (InvalidPasscode $bad) {
            expect($bad->getMessage())->not->toContain('s3cret');
        }
    });
});

describe('Pin', function (): void {
    it('has six digits, does not begin with 0, and is no run', function (): void {
        $chance = chance(2);
        for ($i = 0; $i < 5000; $i++) {
            expect(Pin::made($chance)->digits)->toMatch('/\A[1-9]\d{5}\z/')->not->toBeIn(['123456', '234567', '345678', '456789', '111111', '987654']);
        }
    });
});

describe('MeetingNumber', function (): void {
    it('is written in threes', function (string $digits, string $text): void {
        expect(MeetingNumber::of($digits)->format())->toBe($text)->and(MeetingNumber::of($text)->digits)->toBe($digits);
    })->with([['829114507', '829 114 507'], ['1829114507', '1 829 114 507']]);

    it('has 9 to 12 digits', function (string $text): void {
        MeetingNumber::of($text);
    })->with(['12345678', '1234567890123', 'abc', ''])->throws(InvalidMeetingNumber::class);
});

describe('DialIn', function (): void {
    it('links to the number and nothing else (RFC 3966 5.1.4)', function (): void {
        expect(DialIn::of('GB', '+442079460142')->uri())->toBe('tel:+442079460142')
            ->and(PhoneText::of('+442079460142'))->toBe('+44 20 7946 0142');
    });

    it('takes E.164 only', function (string $country, string $number): void {
        DialIn::of($country, $number);
    })->with([['GB', '02079460142'], ['GB', '+0442079460142'], ['gb', '+442079460142'], ['GB', '+4420794601421234'], ['GB', '+44 20']])->throws(InvalidDialIn::class);
});

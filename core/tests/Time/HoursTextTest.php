<?php

declare(strict_types=1);

use Syndex\Core\Time\HoursText;
use Syndex\Core\Time\InvalidHours;
use Syndex\Core\Time\WorkingHours;

it('reads hours as people write them in one line', function (string $text, array $hours): void {
    expect(HoursText::read($text)->toArray())->toBe($hours);
})->with([
    ['mon-fri 09:00-17:00', array_fill_keys(['mon', 'tue', 'wed', 'thu', 'fri'], [['09:00', '17:00']])],
    ['Mon–Thu 08:00–12:00, 13:00–16:00; Fri 8-12', [...array_fill_keys(['mon', 'tue', 'wed', 'thu'], [['08:00', '12:00'], ['13:00', '16:00']]), 'fri' => [['08:00', '12:00']]]],
    ['Monday, Wednesday: 9.30 to 15.00', ['mon' => [['09:30', '15:00']], 'wed' => [['09:30', '15:00']]]],
    ['sat-mon 10:00-12:00', ['mon' => [['10:00', '12:00']], 'sat' => [['10:00', '12:00']], 'sun' => [['10:00', '12:00']]]],
    ['sun 22:00-24:00 | mon 00:00-06:00', ['mon' => [['00:00', '06:00']], 'sun' => [['22:00', '24:00']]]],
    ['tues 9-10; tue 11-12', ['tue' => [['09:00', '10:00'], ['11:00', '12:00']]]],
    ['', []],
]);

it('refuses what it cannot read', function (string $text): void {
    expect(fn() => HoursText::read($text))->toThrow(InvalidHours::class);
})->with(['nine to five', 'mon', '09:00-17:00', 'mon 17:00-09:00', 'someday 9-10', 'mon 25-26', 'mon-tue-wed 9-10', 'monastery 9-10']);

it('reads what it wrote', function (array $hours): void {
    $hours = WorkingHours::of($hours);
    expect(HoursText::read(HoursText::write($hours))->toArray())->toBe($hours->toArray());
})->with([
    [['mon' => [['08:00', '12:00'], ['13:00', '16:00']], 'tue' => [['08:00', '12:00'], ['13:00', '16:00']], 'fri' => [['09:00', '10:00']]]],
    [['sun' => [['00:00', '24:00']]]], [[]], [array_fill_keys(WorkingHours::DAYS, [['10:00', '11:00']])],
]);

<?php

declare(strict_types=1);

use App\Invitations\SmtpPostRoom;

it('begins a new conversation where the server closed an idle one', function (): void {
    $process = proc_open([PHP_BINARY, base_path('tests/readers/smtp_closing.php')], [1 => ['pipe', 'w']], $pipes);
    $port = (int) fgets($pipes[1]);
    $room = new SmtpPostRoom('127.0.0.1', $port, 5, 5, 'syndex.example', idleSeconds: 0);
    $mail = "Subject: Seed swap\r\n\r\nHello.\r\n";

    $first = $room->deliver($mail, 'b-1@syndex.example', 'rosa@anden.example');
    usleep(50_000);
    $second = $room->deliver($mail, 'b-2@syndex.example', 'rosa@anden.example');
    proc_terminate($process);
    proc_close($process);

    expect([$first, $second])->toBe(['250 kept 0', '250 kept 1']);
});

it('sends letters before the @ to a server that says SMTPUTF8, and tells that it does (RFC 6531 3.4)', function (): void {
    $process = proc_open([PHP_BINARY, base_path('tests/readers/smtp_closing.php'), 'letters'], [1 => ['pipe', 'w']], $pipes);
    $port = (int) fgets($pipes[1]);
    $said = [];
    $room = new SmtpPostRoom('127.0.0.1', $port, 5, 5, 'syndex.example', idleSeconds: 0, greeted: static function (bool $letters) use (&$said): void {
        $said[] = $letters;
    });

    $answer = $room->deliver("Subject: Seed swap\r\n\r\nHello.\r\n", 'b-1@syndex.example', 'roša@anden.example');
    proc_terminate($process);
    proc_close($process);

    expect($answer)->toBe('250 kept 0 MAIL FROM:<b-1@syndex.example> SMTPUTF8 RCPT TO:<roša@anden.example>')->and($said)->toBe([true]);
});

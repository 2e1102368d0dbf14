<?php

declare(strict_types=1);

/** A mail from outside, through the post room's own door: the envelope and the author are of one domain. */
function mailIn(string $host, int $port, string $from, string $to, string $mail): string
{
    $line = stream_socket_client("tcp://$host:$port", $no, $why, 5);
    $said = fgets($line);
    foreach (["EHLO outside.example", "MAIL FROM:<$from>", "RCPT TO:<$to>", 'DATA', str_replace("\r\n.", "\r\n..", $mail) . "\r\n."] as $say) {
        fwrite($line, "$say\r\n");
        do {
            $said = (string) fgets($line);
        } while (($said[3] ?? ' ') === '-');
    }
    fclose($line);

    return $said;
}

it('shows answers as they arrive by mail, and takes what was told by telephone', function (): void {
    $title = 'Root cellar ' . bin2hex(random_bytes(2));
    $guest = 'petra.' . bin2hex(random_bytes(3)) . '@lomas.example';
    $this->signIn();
    $this->press('button', 'Plan a meeting');
    $this->fill($this->field('Title'), $title);
    foreach (['ines var' => 'Inês Varela', $guest => $guest] as $typed => $shown) {
        $this->field('Add a person')->sendKeys($typed);
        $this->pressAt("//*[@role='option'][contains(., '$shown')]");
        $this->find("//*[@data-testid='attendee'][contains(., '$shown')]");
    }
    $this->set($this->field('How to join'), 'in_person');
    $this->fill($this->field('Place'), 'Room 3');
    $this->expectSaved();
    $this->press('button', 'Read back');
    $this->pressAt("//button[starts-with(normalize-space(.), 'Send 3 invitations')]");
    $this->see('Sent on');
    $mail = $this->mail($guest, $title);
    $this->press('button', 'Answers');
    $this->see('0 of 3 have answered.');
    $this->expectAccessible('answers');

    // Taken without reloading: the guest's calendar says yes.
    $ics = preg_match('/^UID:(\S+)/m', (string) $mail['calendar'], $m) === 1 ? $m[1] : '';
    $to = preg_match('/^ORGANIZER.*:mailto:(\S+)/mi', str_replace("\r\n ", '', (string) $mail['calendar']), $o) === 1 ? $o[1] : '';
    $answer = static fn(string $partstat, string $from): string => "From: <$from>\r\nTo: <$to>\r\nSubject: Re: $title\r\nMessage-ID: <" . bin2hex(random_bytes(8)) . "@lomas.example>\r\nMIME-Version: 1.0\r\nContent-Type: text/calendar; method=REPLY; charset=utf-8\r\n\r\nBEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//Example//EN\r\nMETHOD:REPLY\r\nBEGIN:VEVENT\r\nUID:$ics\r\nSEQUENCE:0\r\nDTSTAMP:" . gmdate('Ymd\THis\Z') . "\r\nATTENDEE;PARTSTAT=$partstat:mailto:$guest\r\nCOMMENT:With pleasure\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n";
    $give = fn(string $partstat, string $from): string => mailIn('127.0.0.1', (int) $this->setting('POSTROOM_SMTP_PORT'), $from, $to, $answer($partstat, $from));
    expect($give('ACCEPTED', $guest))->toStartWith('250');
    $this->see('1 of 3 have answered.');
    $this->see('With pleasure');

    // Somebody else in their name: kept aside, and taken when the coordinator says so.
    expect($give('DECLINED', 'mallory@elsewhere.example'))->toStartWith('250');
    $this->see('an address that was not invited');
    $this->press('button', 'Done with it');
    $this->see('Nothing waits.');

    $this->set($this->field('Who'), (string) $this->browser->executeScript('return [...document.querySelectorAll("option")].find((o) => o.textContent === "Inês Varela").value'));
    $this->set($this->field('What they say'), 'declined');
    $this->fill($this->field('In their words'), 'On leave');
    $this->press('button', 'Write it down');
    $this->see('2 of 3 have answered.');
    $this->see('Inês Varela cannot');
    $this->see('One date loses somebody who is required.');
    $this->expectAccessible('answers that came');
    expect(mailIn('127.0.0.1', (int) $this->setting('POSTROOM_SMTP_PORT'), $guest, 'm-0000000000000000@' . substr((string) strrchr($to, '@'), 1), $answer('ACCEPTED', $guest)))->toStartWith('550');
    $this->expectQuietConsole();
});

<?php

declare(strict_types=1);

use Syndex\Core\Answers\AuthenticationResults;
use Syndex\Core\Answers\DeliveryReport;
use Syndex\Core\Answers\MailFacts;

// Bodies of message/delivery-status: RFC 3464 Appendix E; then as mail servers write them (common practice, no published source).
it('reads what servers say of a delivery', function (string $body, array $expected): void {
    expect(array_map(static fn(DeliveryReport $r): array => [$r->action->value, $r->recipient, $r->status, $r->diagnostic], DeliveryReport::read($body)))->toBe($expected);
})->with([
    'simple' => [<<<'DSN'
        Reporting-MTA: dns; cs.utk.edu

        Original-Recipient: rfc822;louisl@larry.slip.umd.edu
        Final-Recipient: rfc822;louisl@larry.slip.umd.edu
        Action: failed
        Status: 4.0.0
        Diagnostic-Code: smtp; 426 connection timed out
        Last-Attempt-Date: Thu, 7 Jul 1994 17:15:49 -0400
        DSN, [['failed', 'louisl@larry.slip.umd.edu', '4.0.0', '426 connection timed out']]],
    'several recipients' => [<<<'DSN'
        Reporting-MTA: dns; cs.utk.edu

        Original-Recipient: rfc822;arathib@vnet.ibm.com
        Final-Recipient: rfc822;arathib@vnet.ibm.com
        Action: failed
        Status: 5.0.0 (permanent failure)
        Diagnostic-Code: smtp;  550 'arathib@vnet.IBM.COM' is not a
         registered gateway user
        Remote-MTA: dns; vnet.ibm.com

        Original-Recipient: rfc822;johnh@hpnjld.njd.hp.com
        Final-Recipient: rfc822;johnh@hpnjld.njd.hp.com
        Action: delayed
        Status: 4.0.0 (hpnjld.njd.jp.com: host name lookup failure)

        Original-Recipient: rfc822;wsnell@sdcc13.ucsd.edu
        Final-Recipient: rfc822;wsnell@sdcc13.ucsd.edu
        Action: failed
        Status: 5.0.0
        Diagnostic-Code: smtp; 550 user unknown
        Remote-MTA: dns; sdcc13.ucsd.edu
        DSN, [['failed', 'arathib@vnet.ibm.com', '5.0.0', "550 'arathib@vnet.IBM.COM' is not a registered gateway user"], ['delayed', 'johnh@hpnjld.njd.hp.com', '4.0.0', ''], ['failed', 'wsnell@sdcc13.ucsd.edu', '5.0.0', '550 user unknown']]],
    'from a gateway' => ["Reporting-MTA: mailbus; SYS30\n\nFinal-Recipient: unknown; nair_s\nStatus: 5.0.0 (unknown permanent failure)\nAction: failed\n", [['failed', 'nair_s', '5.0.0', '']]],
    'delayed' => ["Reporting-MTA: dns; sun2.nsfnet-relay.ac.uk\n\nFinal-Recipient: rfc822;thomas@de-montfort.ac.uk\nStatus: 4.0.0 (unknown temporary failure)\nAction: delayed\n", [['delayed', 'thomas@de-montfort.ac.uk', '4.0.0', '']]],
    'CRLF, angle brackets, capitals' => ["Reporting-MTA: dns;mx.orchard.example\r\n\r\nFINAL-RECIPIENT: RFC822; <lena@orchard.example>\r\nACTION: Failed\r\nSTATUS: 5.1.1\r\nDIAGNOSTIC-CODE: SMTP; 550 5.1.1 no such user\r\n", [['failed', 'lena@orchard.example', '5.1.1', '550 5.1.1 no such user']]],
    'a comment beside the action' => ["Final-Recipient: rfc822; a@b.example\nAction: failed (gave up)\nStatus: 5.4.7", [['failed', 'a@b.example', '5.4.7', '']]],
    'it arrived' => ["Final-Recipient: rfc822; a@b.example\nAction: delivered\nStatus: 2.0.0", [['delivered', 'a@b.example', '2.0.0', '']]],
    'an action that nobody knows' => ["Final-Recipient: rfc822; a@b.example\nAction: eaten", []],
    'nothing' => ['', []],
    'no octets of a text' => ["Action: failed\nDiagnostic-Code: smtp; \xff\xfe", [['failed', null, null, '??']]],
]);

// RFC 8601 B and 5; DMARC as RFC 7489 11.1 reports it.
it('believes its own mail server alone', function (array $headers, string $domain, bool $passes): void {
    expect(AuthenticationResults::of($headers, 'mail.syndex.example')->passes($domain))->toBe($passes);
})->with([
    'nothing said' => [[], 'anden.example', false],
    'passed' => [['mail.syndex.example; dmarc=pass header.from=anden.example'], 'anden.example', true],
    'folded, in capitals, with a version' => [["Mail.Syndex.EXAMPLE 1;\r\n\tspf=pass smtp.mailfrom=anden.example;\r\n DMARC=Pass (p=reject dis=none) header.from=Anden.example"], 'anden.example', true],
    'for another domain' => [['mail.syndex.example; dmarc=pass header.from=elsewhere.example'], 'anden.example', false],
    'failed' => [['mail.syndex.example; dmarc=fail header.from=anden.example'], 'anden.example', false],
    'DKIM alone says nothing of the author' => [['mail.syndex.example; dkim=pass header.d=anden.example'], 'anden.example', false],
    'by a server that is not ours' => [['mx.attacker.example; dmarc=pass header.from=anden.example'], 'anden.example', false],
    'ours failed it, another passed it' => [['mx.attacker.example; dmarc=pass header.from=anden.example', 'mail.syndex.example; dmarc=fail header.from=anden.example'], 'anden.example', false],
    'two of ours that differ: none' => [['mail.syndex.example; dmarc=pass header.from=anden.example', 'mail.syndex.example; dmarc=fail header.from=anden.example'], 'anden.example', false],
    'in a comment' => [['mail.syndex.example; none (dmarc=pass header.from=anden.example)'], 'anden.example', false],
    'in a comment with a semicolon' => [['mail.syndex.example; spf=fail (x; dmarc=pass header.from=anden.example) smtp.mailfrom=x'], 'anden.example', false],
    'in a quoted reason' => [['mail.syndex.example; dkim=fail reason="x; dmarc=pass header.from=anden.example"'], 'anden.example', false],
    'name that only begins like ours' => [['mail.syndex.example.attacker.example; dmarc=pass header.from=anden.example'], 'anden.example', false],
    'no result at all' => [['mail.syndex.example; none'], 'anden.example', false],
]);

it('tells machines from people', function (array $headers, string $from, bool $isAutomatic, bool $isReply): void {
    $facts = new MailFacts($headers, $from);
    expect([$facts->isAutomatic(), $facts->isAutomaticReply()])->toBe([$isAutomatic, $isReply]);
})->with([
    'a person' => [[], 'rosa@anden.example', false, false],
    'a person who says so (RFC 3834 5)' => [['auto-submitted' => ['no']], 'rosa@anden.example', false, false],
    'nobody to answer to' => [[], '', true, false],
    'out of office (RFC 3834 5)' => [['auto-submitted' => ['auto-replied']], 'rosa@anden.example', true, true],
    'out of office, with a parameter' => [['auto-submitted' => ['Auto-Replied; owner-email="x"']], 'rosa@anden.example', true, true],
    'made by a machine' => [['auto-submitted' => ['auto-generated']], 'rosa@anden.example', true, false],
    'from a list' => [['precedence' => ['list']], 'rosa@anden.example', true, false],
    'from a list, as RFC 2919 says' => [['list-id' => ['<growers.orchard.example>']], 'rosa@anden.example', true, false],
    'an old answering machine' => [['precedence' => ['auto_reply']], 'rosa@anden.example', true, true],
    'another old answering machine' => [['x-autoreply' => ['yes']], 'rosa@anden.example', true, true],
    'a server' => [[], 'MAILER-DAEMON@mx.anden.example', true, false],
]);

it('tells a delay from a failure in plain words', function (string $subject, string $text, bool $isDelay): void {
    expect(MailFacts::saysDelay($subject, $text))->toBe($isDelay);
})->with([
    ['Warning: message 1abcde-0000 delayed 24 hours', 'This message was created automatically by mail delivery software.', true],
    ['Delayed Mail (still being retried)', '', true],
    ['Mail delivery failed: returning message to sender', 'A message that you sent could not be delivered to one or more of its recipients. This is a permanent error.', false],
    ['failure notice', "Hi. This is the program at mx.orchard.example.\nI'm afraid I wasn't able to deliver your message to the following addresses.", false],
    ['Returned mail: see transcript for details', 'This is a warning message only. You do not need to resend your message.', true],
]);

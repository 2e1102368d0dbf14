<?php

declare(strict_types=1);

/*
 * A mail server that closes the line after each message, with 421 as RFC 5321 3.8 has it for one that idles. Prints its port,
 * and takes two messages, however many connections they need. With the argument "letters" it says SMTPUTF8 (RFC 6531 3.1), and
 * what it was told of the sender and the recipient stands in its answer.
 */
$server = stream_socket_server('tcp://127.0.0.1:0');
echo substr((string) strrchr((string) stream_socket_get_name($server, false), ':'), 1), "\n";
for ($kept = 0; $kept < 2;) {
    $line = stream_socket_accept($server, 10);
    fwrite($line, "220 here\r\n");
    $told = '';
    while (($said = fgets($line)) !== false) {
        $told .= preg_match('/^(MAIL|RCPT)/i', $said) === 1 ? ' ' . trim($said) : '';
        $said = strtoupper(trim($said));
        if ($said === 'DATA') {
            fwrite($line, "354 go on\r\n");
            while (rtrim((string) fgets($line)) !== '.');
            fwrite($line, "250 kept $kept" . (isset($argv[1]) ? $told : '') . "\r\n421 Timeout - closing connection\r\n");
            $kept++;
            break;
        }
        fwrite($line, str_starts_with($said, 'EHLO') ? (isset($argv[1]) ? "250-here\r\n250 SMTPUTF8\r\n" : "250 here\r\n") : "250 fine\r\n");
    }
    fclose($line);
}

import { describe, expect, it } from 'vitest';
import { looksLikeMail } from './mailFiles';
import { isPeople } from './peopleFiles';

describe('looksLikeMail', () => {
  it.each([
    ['Received: from x\r\nFrom: Rosa <rosa@anden.example>\r\nTo: a@x.example\r\nSubject: Lots\r\n\r\nHello', true],
    ['From: rosa@anden.example\nSubject: Lots\n\nHello', true],
    ['Subject: Lots\n\nFrom: rosa@anden.example\nTo: b@x.example', false],
    ['rosa@anden.example, lena@orchard.example', false],
    ['Note: from me to you', false],
    ['', false],
  ])('%j: %s', (text, is) => expect(looksLikeMail(text)).toBe(is));
});

describe('isPeople', () => {
  it.each([
    ['people.csv', '', true],
    ['PEOPLE.VCF', '', true],
    // What a text holds nobody can tell by its name.
    ['list.txt', 'text/plain', false],
    ['unnamed', 'text/csv', true],
    ['meeting.ics', 'text/calendar', false],
    ['mail.eml', 'message/rfc822', false],
  ])('%s %s: %s', (name, type, is) => expect(isPeople(new File([''], name, { type }))).toBe(is));
});

import { keepPreviousData, queryOptions } from '@tanstack/react-query';
import * as z from 'zod/mini';
import { getJson, sendJson } from '../lib/api';
import { partsShape, seriesShape, wordsShape } from './meetings';
import { boardWire, type Sheet } from './sheet';

const lookShape = z.object({
  ...seriesShape.shape,
  /** The rule taken apart, if there is one. */
  parts: z.nullable(partsShape),
  odd: z.array(z.string()),
  next: z.array(z.string()),
  dates: z.nullable(z.number()),
  complete: z.boolean(),
  /** More than most would mean: asked before they are taken. */
  many: z.boolean(),
});

/** What the sheet's way of repeating comes to: its sentence, its next dates, how many there are. */
export const lookQuery = (sheet: Sheet) => {
  const body = boardWire(sheet);
  return queryOptions({
    queryKey: ['series', JSON.stringify(body)],
    queryFn: ({ signal }) => sendJson('POST', 'series', body, lookShape, signal),
    placeholderData: keepPreviousData,
    staleTime: 60_000,
    retry: false,
  });
};

export type DateEdit = { do: 'drop' | 'add'; date: string } | { do: 'move'; date: string; to: string };

/** Takes one date away, adds one, moves one. */
export const editDate = (sheet: Sheet, edit: DateEdit) => sendJson('POST', 'series', { ...boardWire(sheet), edit }, lookShape);

const tableShape = z.object({
  frequencies: z.array(partsShape.shape.frequency),
  offered: z.array(z.string()),
  /** Lists of numbers that mean something beside each frequency. */
  lists: z.record(z.string(), z.array(z.enum(['monthDays', 'yearDays', 'weeks', 'positions', 'hours', 'minutes']))),
  numbered: z.array(z.string()),
  /** The rule that a single meeting begins to repeat by. */
  usual: z.nullable(wordsShape),
});

export type RuleTable = z.infer<typeof tableShape>;

/** What editors of rules offer for a start. */
export const rulesQuery = (start: string) =>
  queryOptions({
    queryKey: ['rules', start],
    queryFn: ({ signal }) => getJson(`rules?${new URLSearchParams({ start })}`, tableShape, signal),
    staleTime: Infinity,
  });

/** What a sentence is typed beside. */
type SentenceOf = Pick<Sheet, 'zone' | 'own'>;

/** What a typed sentence means; where it names no time, the sheet's stands in. */
export const sentenceQuery = (text: string, sheet: SentenceOf, time: string | null) =>
  queryOptions({
    queryKey: ['sentence', text, sheet.zone, time, sheet.own],
    queryFn: ({ signal }) => readSentence(text, sheet, time, signal),
    staleTime: 60_000,
    retry: false,
  });

export const readSentence = (text: string, { zone, own }: SentenceOf, time: string | null, signal?: AbortSignal) =>
  sendJson(
    'POST',
    'sentence',
    { text, zone, ownDates: own.map(({ date }) => date), ...(time ? { time } : {}) },
    z.object({
      ...seriesShape.shape,
      zone: z.string(),
      allDay: z.boolean(),
      durationMinutes: z.number(),
      understood: z.array(z.string()),
      usualTime: z.boolean(),
    }),
    signal,
  );

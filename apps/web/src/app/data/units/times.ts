import { DAY_MS } from '@cazuela/core';
import { format, isToday, isTomorrow, isYesterday, parseISO, subDays } from 'date-fns';

/** Returns a time as potters say it: "today 14:10", "yesterday 18:40", "Tue 3 Nov". UTC in, local time out. */
export function formatWhen(at: string): string {
  const moment = new Date(at);
  if (isToday(moment)) return `today ${format(moment, 'HH:mm')}`;
  if (isYesterday(moment)) return `yesterday ${format(moment, 'HH:mm')}`;
  if (isTomorrow(moment)) return `tomorrow ${format(moment, 'HH:mm')}`;
  return format(moment, 'EEE d MMM');
}

/** Returns a moment in the device's own time to the minute, as fields of a day and a time take it: "2026-03-10T18:30". */
export const localMinute = (at: Date): string => format(at, "yyyy-MM-dd'T'HH:mm");

export const formatTime = (at: string): string => format(new Date(at), 'HH:mm');
export const formatDate = (at: string): string => format(new Date(at), 'EEEE d MMMM');
export const formatDateTime = (at: string): string => format(new Date(at), 'd MMM yyyy, HH:mm');

/** Returns today's calendar day here, as the records name days. */
export const localDay = (now: Date): string => format(now, 'yyyy-MM-dd');

/** Returns the calendar day so many days before one. */
export const daysBefore = (date: string, days: number): string => format(subDays(parseISO(date), days), 'yyyy-MM-dd');

/** Returns the moment of a clock time on a day here, ms: over a change of summer time it is the clock on the wall that counts. */
export const localMs = (date: string, time: string): number => new Date(`${date}T${time}:00`).getTime();

/** Returns a time of the same day as the clock has it, "16:10", and of another day with its name, "Tue 09:30". */
export const formatDayTime = (at: string, nowAt: string): string =>
  localDay(new Date(at)) === localDay(new Date(nowAt)) ? formatTime(at) : format(new Date(at), 'EEE HH:mm');

/** Returns a wait from now, never below 0: "1 h 20", "8 min". */
export function formatWait(untilAt: string, nowAt: string): string {
  const minutes = Math.max(0, Math.ceil((Date.parse(untilAt) - Date.parse(nowAt)) / 60_000));
  return minutes >= 60 ? `${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, '0')}` : `${minutes} min`;
}

/** Returns the age of a reading: "today", "3 days old", "5 weeks old". */
export function formatAge(at: string, nowAt: string): string {
  const days = Math.floor((Date.parse(nowAt) - Date.parse(at)) / DAY_MS);
  if (days < 1) return 'read today';
  if (days < 14) return `read ${days} ${days === 1 ? 'day' : 'days'} ago`;
  return days < 60 ? `read ${Math.round(days / 7)} weeks ago` : `read ${Math.round(days / 30)} months ago`;
}

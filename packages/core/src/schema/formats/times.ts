/** Formats of dates, times and durations (RFC 3339). */
import type { Formats } from './format.js';

const days = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];

function isDate(text: string): boolean {
  const match = /^(\d{4})-(\d\d)-(\d\d)$/.exec(text);
  if (!match) return false;
  const [year, month, day] = [Number(match[1]), Number(match[2]), Number(match[3])];
  const leap = month === 2 && year % 4 === 0 && (year % 100 !== 0 || year % 400 === 0);
  return day >= 1 && day <= (days[month - 1] ?? 0) + (leap ? 1 : 0);
}

/** RFC 3339 `full-time`. A leap second is one only at 23:59:60 UTC. */
function isTime(text: string): boolean {
  const match = /^(\d\d):(\d\d):(\d\d)(?:\.\d+)?(?:[zZ]|([+-])(\d\d):(\d\d))$/.exec(text);
  if (!match) return false;
  const [hour, minute, second] = [Number(match[1]), Number(match[2]), Number(match[3])];
  const [offsetHour, offsetMinute] = [Number(match[5] ?? 0), Number(match[6] ?? 0)];
  if (hour > 23 || minute > 59 || second > 60 || offsetHour > 23 || offsetMinute > 59) return false;
  if (second < 60) return true;
  const utc = hour * 60 + minute - (match[4] === '-' ? -1 : 1) * (offsetHour * 60 + offsetMinute);
  return (utc + 2880) % 1440 === 1439;
}

function isDateTime(text: string): boolean {
  return /^.{10}[tT]/.test(text) && isDate(text.slice(0, 10)) && isTime(text.slice(11));
}

/** RFC 3339, appendix A. */
function isDuration(text: string): boolean {
  if (/^P\d+W$/.test(text)) return true;
  const match = /^P(\d+Y(?:\d+M(?:\d+D)?)?|\d+M(?:\d+D)?|\d+D)?(T(?:\d+H(?:\d+M(?:\d+S)?)?|\d+M(?:\d+S)?|\d+S))?$/.exec(
    text,
  );
  return match !== null && (match[1] !== undefined || match[2] !== undefined);
}

export const times: Formats = { 'date-time': isDateTime, date: isDate, time: isTime, duration: isDuration };

import ICAL from 'ical.js';

import { offsetAt, timeName } from '@/core/shared/time';

const yearsAhead = 10;
const hourMs = 3_600_000;
const dayMs = 24 * hourMs;

/** Clocks change at full quarters of an hour. */
const stepMs = hourMs / 4;

/**
 * The rules of an IANA zone as a VTIMEZONE (RFC 5545 §3.6.5), from an instant until ten years after `now` (epoch
 * milliseconds): one observance for each change between two offsets, with the days on which it comes.
 */
export function zoneComponent(zone: string, from: number, now: number): ICAL.Component {
  const component = new ICAL.Component('vtimezone');
  component.updatePropertyWithValue('tzid', zone);
  const changes = [{ at: from, before: offsetAt(from, zone) }, ...changesBetween(zone, from, now)];
  const kinds = new Map<string, typeof changes>();
  for (const change of changes) {
    const key = `${change.before} ${offsetAt(change.at, zone)}`;
    kinds.set(key, [...(kinds.get(key) ?? []), change]);
  }
  for (const [first, ...others] of kinds.values()) {
    if (!first) continue;
    const { at, before } = first;
    const after = offsetAt(at, zone);
    const observance = new ICAL.Component(after > standardOf(zone, at) ? 'daylight' : 'standard');
    // Local times of an observance are told by the clock before it (RFC 5545 §3.8.5.2).
    observance.updatePropertyWithValue('dtstart', localTime(at + before));
    observance.updatePropertyWithValue('tzoffsetfrom', offset(before));
    observance.updatePropertyWithValue('tzoffsetto', offset(after));
    observance.updatePropertyWithValue('tzname', timeName(at, zone));
    for (const other of others) observance.addPropertyWithValue('rdate', localTime(other.at + other.before));
    component.addSubcomponent(observance);
  }
  return component;
}

function changesBetween(zone: string, from: number, now: number): { at: number; before: number }[] {
  const changes: { at: number; before: number }[] = [];
  for (let day = from; day < now + yearsAhead * 365 * dayMs; day += dayMs) {
    const before = offsetAt(day, zone);
    if (offsetAt(day + dayMs, zone) === before) continue;
    let at = day;
    while (offsetAt(at, zone) === before) at += stepMs;
    changes.push({ at, before });
  }
  return changes;
}

/** The smaller of the offsets of the year around; summer time is ahead of it. */
const standardOf = (zone: string, at: number) =>
  Math.min(...[0, 91, 182, 273].map((days) => offsetAt(at + days * dayMs, zone)));

const localTime = (wall: number) =>
  ICAL.Time.fromString(new Date(wall).toISOString().slice(0, 19), undefined as never);
const offset = (ms: number) => ICAL.UtcOffset.fromSeconds(ms / 1000);

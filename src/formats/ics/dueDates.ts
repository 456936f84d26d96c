import ical, { ICalCalendarMethod, ICalEventTransparency } from 'ical-generator';

/** Something that happens on a day. */
export interface DayEvent {
  /** The same for the same thing, however often it is written. */
  readonly id: string;
  /** YYYY-MM-DD */
  readonly day: string;
  readonly title: string;
  readonly text: string;
}

/** Days as an iCalendar (RFC 5545): events of a whole day that take nobody's time. */
export function dueDatesCalendar(name: string, events: readonly DayEvent[], now: Date): string {
  const calendar = ical({
    name,
    prodId: { company: 'Impegno', product: 'due-dates', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
  });
  for (const { id, day, title, text } of events)
    calendar.createEvent({
      id: `${id}@impegno`,
      start: new Date(`${day}T00:00:00Z`),
      timezone: 'UTC',
      allDay: true,
      summary: title,
      description: text,
      stamp: now,
      transparency: ICalEventTransparency.TRANSPARENT,
    });
  return calendar.toString();
}

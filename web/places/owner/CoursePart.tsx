import { longDate } from "@keel-round/core/calendar";
import type { Part } from "./shown";

/** The days of the treatment that the tank is under, and what is to be left as it is meanwhile. */
export function CoursePart({ part }: { part: Part }) {
  const { course } = part.page;
  if (!course) return null;
  return (
    <section id="course">
      <h2>Treatment: {course.name}</h2>
      <p>
        {course.off && `Leave ${course.off.things} off and out until ${longDate(course.off.until)}. `}
        Keep the air on, and ring us if animals lie on their side or gasp.
      </p>
      {course.days.map(({ on, says }) => (
        <div className="row" key={`${on} ${says}`}>
          <div>
            <strong>{longDate(on)}</strong>
            <div className="soft" style={{ fontSize: 16 }}>
              {says}
            </div>
          </div>
        </div>
      ))}
    </section>
  );
}

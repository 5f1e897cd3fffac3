import { Box, Flex } from "@chakra-ui/react";
import { sayDay } from "@keel-round/core/calendar";
import { say } from "@keel-round/core/say";
import type { Treatment } from "@keel-round/core/tank";
import { courseCalendar } from "@keel-round/core/treatment";
import type { UnitPreference } from "@keel-round/core/units";
import { Span } from "@/kit/elements";

/** The days of a course of treatment, each with what is done on it. */
export function CourseDays({ course, units, today }: { course: Treatment; units: UnitPreference; today: string }) {
  return (
    <Box data-course={course.name}>
      {courseCalendar(course).map(({ on, what, says }) => (
        <Flex key={`${on} ${what}`} gap="12px" py="5px" borderBottomWidth="1px" borderColor="rule" align="baseline">
          <Span w="92px" flexShrink={0} color={on < today ? "faint" : "ink"} fontWeight={on === today ? "640" : "400"}>
            {on === today ? "today" : sayDay(on)}
          </Span>
          <Span flex="1" color={on < today ? "soft" : "ink"}>
            {say(says, units)}
          </Span>
        </Flex>
      ))}
    </Box>
  );
}

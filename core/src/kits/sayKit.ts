import { type Message, m } from "../say/index.ts";
import type { KitOnDay, KitProblem } from "./kit.ts";

/** What is wrong with a kit, each as a sentence. */
export const problemSentence = (problem: KitProblem): Message => {
  if (problem.code === "calibration-due")
    return problem.last === null ? m("kit.never-calibrated") : m("kit.calibration-due", { day: { day: problem.last } });
  return m(`kit.${problem.code}`, { day: { day: problem.on } });
};

/** Few tests are worth telling. */
export const FEW_TESTS = 5;

/** What whoever reads with a kit has to know of it. */
export function kitSentences({ problems, offset, testsLeft, parameter }: KitOnDay): Message[] {
  return [
    ...problems.map(problemSentence),
    ...(problems.length > 0 ? [m("kit.widened")] : []),
    ...(offset
      ? [
          m("kit.offset", {
            by: { reading: Math.abs(offset.value), of: parameter, bare: true },
            within: { reading: 1.96 * offset.sigma, of: parameter, bare: true },
            way: offset.value >= 0 ? "high" : "other",
          }),
        ]
      : []),
    ...(testsLeft !== null && testsLeft <= FEW_TESTS ? [m("kit.few", { count: Math.max(0, testsLeft) })] : []),
  ];
}

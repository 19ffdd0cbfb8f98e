import { technicianPace, type TimedSet } from "./technicianPace";

const studio = { secondsPerSingle: 36, secondsPerFan: 70 };
const set = (times: number, singles = 100, fans = 20): TimedSet => ({ seconds: times * (singles * 36 + fans * 70), singles, fans });

test("fewer than three sets say nothing of a pace, nor do sets of no length or no lashes", () => {
  expect(technicianPace([set(2), set(2)], studio)).toEqual({ ...studio, known: false });
  expect(technicianPace([set(2), set(2), { seconds: 0, singles: 100, fans: 0 }, { seconds: 900, singles: 0, fans: 0 }], studio).known).toBe(
    false,
  );
});
test("the middle set decides, one of fans as much as one of singles; fans keep the studio's ratio", () => {
  expect(technicianPace([set(1.5, 0, 90), set(0.5), set(1.25, 120, 0)], studio)).toEqual({
    secondsPerSingle: 45,
    secondsPerFan: 88,
    known: true,
  });
});
test("a clock that was forgotten makes nobody more than four times as slow or as quick", () => {
  expect(technicianPace([set(9), set(9), set(9)], studio)).toEqual({ secondsPerSingle: 144, secondsPerFan: 280, known: true });
  expect(technicianPace([set(0.01), set(0.01), set(0.01)], studio)).toEqual({ secondsPerSingle: 9, secondsPerFan: 18, known: true });
});

import { isMeasured } from "../../eye";
import { type Finding, type Rule } from "../finding";

/** A survey left at what its form begins with: nothing measured is not "ordinary". */
export const notMeasured: Rule = ({ survey }): Finding[] =>
  isMeasured(survey)
    ? []
    : [
        {
          rule: "notMeasured",
          severity: "look",
          where: { side: "both", zones: [] },
          title: "Not measured",
          why: "The survey stands as its form begins, on ordinary lashes. Measure three lengths an eye, or say on the survey that they are so.",
          numbers: [],
          source: "A map is only as good as the lashes it is read from.",
        },
      ];

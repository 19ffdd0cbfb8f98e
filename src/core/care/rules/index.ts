import type { CareRule } from "../facts";
import { age } from "./age";
import { agreedLater } from "./agreedLater";
import { allergy } from "./allergy";
import { condition } from "./condition";
import { consentSigned } from "./consentSigned";
import { consultationAsked } from "./consultationAsked";
import { elsewhere } from "./elsewhere";
import { lawful } from "./lawful";
import { operation } from "./operation";
import { patchTest } from "./patchTest";
import { productLife } from "./productLife";
import { spacing } from "./spacing";
import { stoppedLast } from "./stoppedLast";
import { wornExtensions } from "./wornExtensions";

/** Everything that may stand against a service, in the order it is said. A new one is a file and a line here. */
export const CARE_RULES: readonly CareRule[] = [
  condition,
  operation,
  allergy,
  age,
  patchTest,
  lawful,
  wornExtensions,
  spacing,
  agreedLater,
  productLife,
  consultationAsked,
  consentSigned,
  elsewhere,
  stoppedLast,
];

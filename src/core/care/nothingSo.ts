import type { Consultation } from "./consultation";

/** Nothing is so: what a consultation holds where every question was answered with no. */
export const NOTHING_SO: Consultation = {
  version: 2,
  conditions: [],
  allergies: [],
  otherAllergies: "",
  operation: null,
  doctorsWord: "",
  elsewhere: [],
  extensionsOn: null,
  processed: false,
};

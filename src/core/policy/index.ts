export { policySchema, defaultPolicy, POLICY_VERSION, type Policy } from "./policy";
export { upgradePolicy, policyDocument } from "./upgrade";
export { policyForm, answerWords, type FormQuestion } from "./policyForm";
export { QUESTIONS } from "./questions";
export type { Question } from "./question";
export { cureSettings } from "./cureSettings";

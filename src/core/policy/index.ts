export { policySchema, type Policy } from "./policy";
export { upgradePolicy, policyDocument } from "./upgrade";
export { defaultPolicy } from "./defaults";
export { POLICY_FIELDS, type PolicyField } from "./fields";
export { cureSettings } from "./cureSettings";

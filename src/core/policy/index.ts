export { policySchema, type Policy } from "./policy";
export { defaultPolicy } from "./defaults";
export { POLICY_FIELDS, type PolicyField } from "./fields";

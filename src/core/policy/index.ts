export { policySchema, type Policy, defaultPolicy } from "./policy";
export { POLICY_FIELDS, type PolicyField } from "./fields";

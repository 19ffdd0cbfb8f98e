export { useStudioForm, type FormAnswer } from "./useStudioForm";
export { FormBody } from "./FormBody";
export { FormSheet } from "./FormSheet";
export { UnsavedGuard } from "./UnsavedGuard";
export { GuardedSheet } from "./GuardedSheet";

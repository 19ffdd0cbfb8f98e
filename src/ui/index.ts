export { Button, LinkButton } from "./Button";
export { TextField, TextArea, SelectField } from "./Field";
export { Choice } from "./Choice";
export { Dialog } from "./Dialog";
export { Verdict, type Tone } from "./Verdict";
export { Notice } from "./Notice";
export { Empty } from "./Empty";
export { useWidth } from "./useWidth";
export { cx } from "./cx";

export { againDays } from "./againDays";
export {
  protocolSchema,
  protocolDocument,
  speedsSchema,
  type Protocol,
  type ProcessStep,
  type TaskStep,
  type Step,
  type Speeds,
} from "./protocol";
export { checkProtocol, type ProtocolProblem } from "./checkProtocol";
export { shippedProtocols, type Schools } from "./shipped";
export { plannedSeconds, bringsBack, type HairFactors, type Planned } from "./plannedSeconds";
export {
  writeProtocolFile,
  readProtocolFile,
  protocolFileJsonSchema,
  placeWords,
  PROTOCOL_FILE_FORMAT,
  type ProtocolRead,
} from "./protocolFile";
export { isProcess, processSteps, chainOf, familiesOf } from "./steps";

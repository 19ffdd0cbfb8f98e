export { readDocument, writeDocument, UnreadableDocument, type DocumentKind } from "./documentKind";
export { readField, mayField, isText, isNumber, isList } from "./readField";

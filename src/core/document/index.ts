export { readDocument, writeDocument, UnreadableDocument, type DocumentKind } from "./documentKind";

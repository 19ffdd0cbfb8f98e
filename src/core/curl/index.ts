export { CURLS, CURL_IDS, type Curl, type CurlId } from "./curls";
export { curlOf, type CurlOverrides } from "./curlOf";
export { curlSegments, type ArcSegment } from "./curlSegments";
export { curlPath, type PathPoint } from "./curlPath";
export { liftAndReach } from "./liftAndReach";
export { contactLengthMm, GLUED_LENGTH_MM } from "./contactLength";
export { DIRECTIONS, type Direction } from "./directions";

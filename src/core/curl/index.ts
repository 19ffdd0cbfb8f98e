export { CURLS, CURL_IDS, type Curl, type CurlId } from "./curls";
export { curlSegments, type ArcSegment } from "./curlSegments";
export { curlPath, type PathPoint } from "./curlPath";
export { liftAndReach } from "./liftAndReach";
export { contactLengthMm } from "./contactLength";
export { DIRECTIONS, type Direction } from "./directions";

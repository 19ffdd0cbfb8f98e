export {
  pictureMarksSchema,
  pictureMarksDocument,
  knownLengthSchema,
  noMarks,
  MARKED_PLACES,
  type PictureMarks,
  upgradeMarks,
  LEFT_MARKS,
  type LeftMark,
  type KnownLength,
  type MarkedPlace,
  type Px,
} from "./marks";
export { picturePlane, type PicturePlane } from "./picturePlane";
export { curveThrough, lengthOf, fractionNearest, type Mm } from "./curveThrough";
export { measureClosed, curlFactor, type MeasuredClosed, type MeasuredPlace } from "./measureClosed";
export { measureOpen, PLACE_WORDS, type MeasuredOpen } from "./measureOpen";
export { fillSurvey, type Measured } from "./fillSurvey";
export { newestMeasures, type MarkedPicture } from "./newestMeasures";

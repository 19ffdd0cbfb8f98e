export { byUrgency, type Clock } from "./clock";

import { existsSync, readFileSync, rmSync, writeFileSync } from "node:fs";

/** When a process began, in the kernel's ticks: with its pid it names one process for good. Null where there is none. */
export function beganAt(pid) {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, "utf8");
    // After the name, which may hold anything: state is the first field, the beginning the twentieth. A zombie has ended.
    const [state, ...rest] = stat.slice(stat.lastIndexOf(")") + 2).split(" ");
    return state === "Z" || state === "X" ? null : Number(rest[18]);
  } catch {
    return null;
  }
}

/** Keeps a list of the children that run, in a file, so that they are known again should we be killed. */
export function childrenIn(file) {
  let children = [];
  const write = () => writeFileSync(file, JSON.stringify(children), { mode: 0o600 });
  return {
    add: ({ pid }) => {
      children = [...children, { pid, beganAt: beganAt(pid) }];
      write();
    },
    remove: ({ pid }) => {
      children = children.filter((child) => child.pid !== pid);
      write();
    },
  };
}

const pause = (ms) => new Promise((resolve) => setTimeout(resolve, ms));
const isAlive = ({ pid, beganAt: began }) => began !== null && beganAt(pid) === began;

/** Ends what a start left behind that was killed, kindly first; of other processes none, though they bear a number of old. Returns how many. */
export async function endOrphans(file, { kindlyMs = 5000 } = {}) {
  if (!existsSync(file)) return 0;
  let left = [];
  try {
    left = JSON.parse(readFileSync(file, "utf8")).filter(isAlive);
  } catch {
    // Cut off as it was written: then there is nothing to know them by.
  }
  const send = (signal) =>
    left.filter(isAlive).forEach(({ pid }) => {
      try {
        process.kill(pid, signal);
      } catch {
        // It ended meanwhile.
      }
    });
  send("SIGTERM");
  for (let waited = 0; waited < kindlyMs && left.some(isAlive); waited += 50) await pause(50);
  send("SIGKILL");
  for (let waited = 0; waited < 2000 && left.some(isAlive); waited += 20) await pause(20);
  rmSync(file, { force: true });
  return left.length;
}

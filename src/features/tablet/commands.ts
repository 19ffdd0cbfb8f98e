import type { ActionResult } from "@/server/actionResult";
import { newId } from "@/ui/newId";
import type { Command, RefusedCommand } from "./command";
import { thisDevice, type Device } from "./device";
import type { TabletStorage } from "./storage";

type Send<T> = (input: unknown) => Promise<ActionResult<T>>;
/** The server actions by their names, for what was asked before this page was loaded. */
export type Senders = Readonly<Record<string, Send<unknown>>>;

/** An answer, or that it waits for one: `later` is the answer when it comes, if the page is still there. */
export type Asked<T> =
  | { readonly waits: false; readonly result: ActionResult<T> }
  | { readonly waits: true; readonly signedOut: boolean; readonly later: Promise<ActionResult<T>> };

export type CommandState = {
  /** Those that went unanswered and wait. */
  readonly waiting: readonly Command[];
  readonly refused: readonly RefusedCommand[];
};

type Entry = {
  readonly command: Command;
  readonly send: () => Promise<ActionResult<unknown>>;
  /** Asked on this page and not yet left waiting: the form that asked says what became of it. */
  isAtHand: boolean;
  unanswered: number;
};

const EMPTY: CommandState = { waiting: [], refused: [] };
const LONGEST_WAIT_MS = 5000;
/** Who asked is kept waiting no longer than this: an answer may hang on a line that is neither there nor gone. */
const AT_HAND_MS = 8000;
/** So often the line is there and the server still answers nothing to one of them: then it never will. */
const MOST_UNANSWERED = 5;

/**
 * Commands are written to IndexedDB, sent in the order they were asked in, and let go of when the server has answered. Without
 * a server they wait, as taps do, over a reload and longer.
 */
export class CommandQueue {
  private state = EMPTY;
  private readonly listeners = new Set<() => void>();
  private entries: Entry[] = [];
  private sending: Promise<void> | null = null;
  /** The one on its way just now. */
  private onItsWay: Entry | null = null;
  private waitMs = 0;
  private callOff: (() => void) | null = null;

  constructor(
    private readonly storage: TabletStorage,
    private readonly senders: Senders,
    /** Resolves where the server is in reach: what is not answered then is not for want of a line. */
    private readonly lookForServer: () => Promise<unknown>,
    /** Called when one that had to wait was answered. */
    private readonly onSettled: (command: Command, refused: string | null) => void = () => undefined,
    private readonly device: Device = thisDevice,
  ) {}

  subscribe = (listener: () => void) => {
    this.listeners.add(listener);
    return () => void this.listeners.delete(listener);
  };
  getSnapshot = () => this.state;
  getServerSnapshot = () => EMPTY;

  /** Takes up what waited when the page was left. */
  async begin(): Promise<void> {
    const kept = await this.storage.commands().catch(() => []);
    const refused: RefusedCommand[] = [];
    for (const { refused: why, ...command } of kept.sort((a, b) => a.askedAtMs - b.askedAtMs)) {
      const send = this.senders[command.kind];
      if (why !== undefined) refused.push({ ...command, refused: why });
      else if (send && !this.entries.some((entry) => entry.command.id === command.id))
        this.entries.push({ command, send: () => send(command.input), isAtHand: false, unanswered: 0 });
    }
    this.publish({ refused });
    await this.wake();
  }

  /** The network may be there again: everything is sent, without waiting. */
  async wake(): Promise<void> {
    this.waitMs = 0;
    await this.flush();
  }

  /** Asks the server for something by `send`, or lets it wait where there is no answer. */
  async ask<T>(what: Omit<Command, "id" | "askedAtMs">, send: Send<T>): Promise<Asked<T>> {
    const command: Command = { ...what, id: newId(), askedAtMs: this.device.wallMs() };
    let tell: (result: ActionResult<T>) => void = () => undefined;
    const later = new Promise<ActionResult<T>>((resolve) => (tell = resolve));
    const answer: { result: ActionResult<T> | null; signedOut: boolean } = { result: null, signedOut: false };
    const entry: Entry = {
      command,
      send: async () => {
        const result = await send(command.input);
        if (isAnswer(result)) tell((answer.result = result));
        else answer.signedOut = true;
        return result;
      },
      isAtHand: true,
      unanswered: 0,
    };
    await this.keep(entry);
    await this.atMost(AT_HAND_MS, this.wake());
    entry.isAtHand = false;
    this.publish({});
    return answer.result ? { waits: false, result: answer.result } : { waits: true, signedOut: answer.signedOut, later };
  }

  /** One that was refused has been seen. */
  async forget(id: string): Promise<void> {
    this.publish({ refused: this.state.refused.filter((one) => one.id !== id) });
    await this.storage.dropCommand(id).catch(() => undefined);
  }

  private atMost(ms: number, work: Promise<void>): Promise<void> {
    return new Promise((resolve) => {
      const callOff = this.device.later(ms, resolve);
      void work.then(() => (callOff(), resolve()));
    });
  }

  /** Puts it last, in the place of one about the same that is not on its way already. */
  private async keep(entry: Entry): Promise<void> {
    const older = this.entries.filter((one) => one !== this.onItsWay && one.command.about === entry.command.about);
    this.entries = [...this.entries.filter((one) => !older.includes(one)), entry];
    this.publish({});
    // Where the browser keeps nothing the header says so; the page itself still sends it.
    await this.storage.keepCommand(entry.command).catch(() => undefined);
    for (const { command } of older) await this.storage.dropCommand(command.id).catch(() => undefined);
  }

  private flush(): Promise<void> {
    return (this.sending ??= this.sendAll().finally(() => (this.sending = this.onItsWay = null)));
  }

  private async sendAll(): Promise<void> {
    this.callOff?.();
    for (let entry; (entry = this.entries[0]);) {
      this.onItsWay = entry;
      try {
        const result = await entry.send();
        if (!isAnswer(result)) return;
        await this.settle(entry, whyRefused(result));
        this.waitMs = 0;
      } catch {
        entry.unanswered += await this.lookForServer().then(
          () => 1,
          () => 0,
        );
        if (entry.unanswered < MOST_UNANSWERED) return this.retryLater();
        await this.settle(entry, "The server does not answer to this one.");
      }
    }
  }

  private async settle(entry: Entry, refused: string | null): Promise<void> {
    const { command, isAtHand } = entry;
    this.entries = this.entries.filter((one) => one !== entry);
    // What was refused at once is said by the form that asked, which still holds what was typed.
    const stays = refused !== null && !isAtHand;
    this.publish(stays ? { refused: [...this.state.refused, { ...command, refused }] } : {});
    try {
      if (stays) await this.storage.keepCommand({ ...command, refused });
      else await this.storage.dropCommand(command.id);
      if (refused === null && command.draft !== null) await this.storage.dropDraft(command.draft, command.askedAtMs);
    } catch {
      // Kept nowhere, so nothing is to be let go of.
    }
    if (!isAtHand) this.onSettled(command, refused);
  }

  private retryLater(): void {
    this.waitMs = Math.min(LONGEST_WAIT_MS, Math.max(1000, this.waitMs * 2));
    this.callOff?.();
    this.callOff = this.device.later(this.waitMs, () => void this.flush());
  }

  private publish(change: Partial<CommandState>): void {
    const waiting = this.entries.filter(({ isAtHand }) => !isAtHand).map(({ command }) => command);
    this.state = { ...this.state, ...change, waiting };
    for (const listener of this.listeners) listener();
  }
}

/** Nobody is signed in: it waits until somebody is, as it would without a line. */
const isAnswer = <T>(result: ActionResult<T>) => result.ok || result.signedOut !== true;

/** Why the server would not have it; null where it has. `unsettled` is an answer that the person has to do something about. */
function whyRefused(result: ActionResult<unknown>): string | null {
  if (!result.ok) return [result.message, ...Object.values(result.fields)].join(" ");
  const { unsettled } = (result.data ?? {}) as { unsettled?: unknown };
  return typeof unsettled === "string" ? unsettled : null;
}

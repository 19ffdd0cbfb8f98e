import { Button, Notice } from "@/ui";

/** A visit that was tapped at by a newer page says so: what this one cannot read is kept, and shown after a reload. */
export function PassedOver({ count }: { count: number }) {
  if (count === 0) return null;
  return (
    <Notice tone="look" title="This visit holds something newer than this page" className="mt-2 max-w-2xl">
      {count === 1 ? "One entry is" : `${count} entries are`} kept and not shown here. Reload the page; if it is still said then, the
      studio&rsquo;s server is older than the tablet that wrote it.
      <div className="mt-2">
        <Button tone="line" onClick={() => location.reload()}>
          Reload
        </Button>
      </div>
    </Notice>
  );
}

import { useVirtualizer } from "@tanstack/react-virtual";
import { useRef } from "react";
import type { WireRow } from "../api/types";
import { PushButton } from "../ui/buttons";
import { Headings, Row, ROW_HEIGHT } from "./Row";

interface Props {
  /** Oldest first. */
  rows: WireRow[];
  older: boolean;
  empty: string;
  onOlder: () => void;
  onOpen: (row: WireRow) => void;
}

/** The packets, newest first. */
export function List({ rows, older, empty, onOlder, onOpen }: Props) {
  const scroller = useRef<HTMLDivElement>(null);
  // eslint-disable-next-line react-hooks/incompatible-library -- the virtualizer keeps its own state on purpose
  const virtual = useVirtualizer({
    count: rows.length + (older ? 1 : 0),
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW_HEIGHT,
    overscan: 10,
  });
  return (
    <div className="flex min-h-0 flex-1 flex-col overflow-x-auto sm:*:min-w-[60rem]">
      <Headings />
      {rows.length === 0 ? (
        <p className="min-w-0! p-6 text-lg text-quiet">{empty}</p>
      ) : (
        <div
          ref={scroller}
          className="min-h-0 flex-1 overflow-auto"
          role="log"
          aria-label="Messages, newest first"
        >
          <div className="relative" style={{ height: virtual.getTotalSize() }}>
            {virtual.getVirtualItems().map((item) => {
              const place = rows.length - 1 - item.index;
              return (
                <div
                  key={item.key}
                  className="absolute inset-x-0"
                  style={{ top: item.start, height: ROW_HEIGHT }}
                >
                  {place < 0 ? (
                    <PushButton className="mx-2 px-2! py-0!" onClick={onOlder}>
                      Show older messages
                    </PushButton>
                  ) : (
                    <Row row={rows[place]!} before={rows[place - 1]} onOpen={onOpen} />
                  )}
                </div>
              );
            })}
          </div>
        </div>
      )}
    </div>
  );
}

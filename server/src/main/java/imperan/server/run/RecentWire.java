package imperan.server.run;

import imperan.live.WireRecord;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;

/** The newest packets of a wire, bounded in number and in bytes. Not safe for several threads. */
public final class RecentWire {

    private final int mostRows;
    private final long mostBytes;
    private final Deque<WireRecord> rows = new ArrayDeque<>();
    private long bytes;

    public RecentWire(int mostRows, long mostBytes) {
        this.mostRows = mostRows;
        this.mostBytes = mostBytes;
    }

    /** Takes a packet in; those that came longest ago make room for it. */
    public void add(WireRecord row) {
        rows.addLast(row);
        bytes += row.bytes().length;
        while (rows.size() > mostRows || bytes > mostBytes && rows.size() > 1) {
            bytes -= rows.removeFirst().bytes().length;
        }
    }

    /** The number of the newest packet; 0 where there is none. */
    public long newest() {
        return rows.isEmpty() ? 0 : rows.peekLast().number();
    }

    /** Oldest first. */
    public List<WireRecord> all() {
        return List.copyOf(rows);
    }

    public boolean isEmpty() {
        return rows.isEmpty();
    }

    public void clear() {
        rows.clear();
        bytes = 0;
    }
}

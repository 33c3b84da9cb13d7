package imperan.bench;

import imperan.live.WireRecord;
import imperan.server.run.Batch;
import imperan.server.run.Feed;
import imperan.server.run.Presence;
import imperan.server.run.Snapshot;

import java.util.List;
import java.util.function.Consumer;

/** Stands where a browser's end stands in the server, and hears of every packet that came in as its batch is handed out. */
record Ear(Consumer<WireRecord> incoming) implements Feed {

    @Override
    public boolean isOpen() {
        return true;
    }

    @Override
    public void refuse(String why) {
        throw new IllegalStateException(why);
    }

    @Override
    public void welcome(Snapshot snapshot) {
        // only what changes is measured
    }

    @Override
    public void offer(Batch batch) {
        batch.wire().stream().filter(record -> !record.out()).forEach(incoming);
    }

    @Override
    public void presences(List<Presence> presences) {
        // nobody builds here
    }

    @Override
    public void wireSoFar(List<WireRecord> records) {
        // an ear does not ask for them
    }
}

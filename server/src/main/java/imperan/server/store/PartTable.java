package imperan.server.store;

import imperan.show.Acceptance;
import imperan.show.Body;
import imperan.show.Control;
import imperan.show.Host;
import imperan.show.Layout;
import imperan.show.Lock;
import imperan.show.Page;
import imperan.show.Phrase;
import imperan.show.Phrasebook;
import imperan.show.Target;
import imperan.show.Tray;
import imperan.show.Twin;

import java.util.Locale;

/** Which table holds which kind of part. */
enum PartTable {
    TARGET(Target.class), HOST(Host.class), ACCEPTANCE(Acceptance.class), PHRASEBOOK(Phrasebook.class), PHRASE(Phrase.class),
    LAYOUT(Layout.class), PAGE(Page.class), TRAY(Tray.class), LOCK(Lock.class), CONTROL(Control.class), TWIN(Twin.class);

    private final Class<? extends Body> kind;

    PartTable(Class<? extends Body> kind) {
        this.kind = kind;
    }

    static PartTable of(Body body) {
        for (PartTable table : values()) {
            if (table.kind.isInstance(body)) {
                return table;
            }
        }
        throw new IllegalArgumentException("No table for " + body.getClass());
    }

    String table() {
        // "lock" is a word of SQL
        return this == LOCK ? "show_lock" : name().toLowerCase(Locale.ROOT);
    }
}

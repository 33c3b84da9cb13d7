package imperan.server.store;

import imperan.show.Body;
import imperan.show.Control;
import imperan.show.Layout;
import imperan.show.Page;
import imperan.show.Target;

import java.util.Locale;

/** Which table holds which kind of part. */
enum PartTable {
    TARGET(Target.class), LAYOUT(Layout.class), PAGE(Page.class), CONTROL(Control.class);

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
        return name().toLowerCase(Locale.ROOT);
    }
}

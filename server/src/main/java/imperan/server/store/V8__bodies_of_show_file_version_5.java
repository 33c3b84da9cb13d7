package imperan.server.store;

import org.springframework.stereotype.Component;

/** What version 5 of the show file says. */
@Component
class V8__bodies_of_show_file_version_5 extends BodyMigration {

    V8__bodies_of_show_file_version_5() {
        super(4, "layout", "control");
    }
}

package imperan.server.store;

import org.springframework.stereotype.Component;

/** What version 16 of the show file says. */
@Component
class V23__bodies_of_show_file_version_16 extends BodyMigration {

    V23__bodies_of_show_file_version_16() {
        super(15, "part");
    }
}

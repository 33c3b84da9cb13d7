package imperan.server.store;

import org.springframework.stereotype.Component;

/** What version 12 of the show file says. */
@Component
class V18__bodies_of_show_file_version_12 extends BodyMigration {

    V18__bodies_of_show_file_version_12() {
        super(11, "part");
    }
}

package imperan.server.store;

import org.springframework.stereotype.Component;

/** What version 4 of the show file says. */
@Component
class V6__bodies_of_show_file_version_4 extends BodyMigration {

    V6__bodies_of_show_file_version_4() {
        super(3, "page", "control");
    }
}

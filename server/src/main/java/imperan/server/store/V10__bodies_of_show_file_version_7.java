package imperan.server.store;

import org.springframework.stereotype.Component;

/** What version 7 of the show file says. */
@Component
class V10__bodies_of_show_file_version_7 extends BodyMigration {

    V10__bodies_of_show_file_version_7() {
        super(6, "control");
    }
}

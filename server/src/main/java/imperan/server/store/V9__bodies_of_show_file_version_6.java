package imperan.server.store;

import org.springframework.stereotype.Component;

/** What version 6 of the show file says. */
@Component
class V9__bodies_of_show_file_version_6 extends BodyMigration {

    V9__bodies_of_show_file_version_6() {
        super(5, "control", "phrase");
    }
}

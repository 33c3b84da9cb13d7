package imperan.server.store;

import org.springframework.stereotype.Component;

/** What version 8 of the show file says. */
@Component
class V11__bodies_of_show_file_version_8 extends BodyMigration {

    V11__bodies_of_show_file_version_8() {
        super(7, "control");
    }
}

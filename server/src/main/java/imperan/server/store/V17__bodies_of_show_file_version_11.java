package imperan.server.store;

import org.springframework.stereotype.Component;

/** What version 11 of the show file says. */
@Component
class V17__bodies_of_show_file_version_11 extends BodyMigration {

    V17__bodies_of_show_file_version_11() {
        super(10, "part");
    }
}

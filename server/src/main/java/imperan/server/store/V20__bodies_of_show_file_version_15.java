package imperan.server.store;

import org.springframework.stereotype.Component;

/** What version 15 of the show file says. */
@Component
class V20__bodies_of_show_file_version_15 extends BodyMigration {

    V20__bodies_of_show_file_version_15() {
        super(14, "part");
    }
}

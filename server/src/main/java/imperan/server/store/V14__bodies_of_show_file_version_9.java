package imperan.server.store;

import org.springframework.stereotype.Component;

/** What version 9 of the show file says. */
@Component
class V14__bodies_of_show_file_version_9 extends BodyMigration {

    V14__bodies_of_show_file_version_9() {
        super(8, "part");
    }
}

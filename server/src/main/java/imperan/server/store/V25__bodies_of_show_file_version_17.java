package imperan.server.store;

import org.springframework.stereotype.Component;

/** What version 17 of the show file says. */
@Component
class V25__bodies_of_show_file_version_17 extends BodyMigration {

    V25__bodies_of_show_file_version_17() {
        super(16, "part");
    }
}

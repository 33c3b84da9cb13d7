package imperan.server.api;

import imperan.show.ShowJson;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import tools.jackson.databind.json.JsonMapper;

/** REST reads and writes by the rules that files, tables and the WebSocket have: what is missing or unknown is refused. */
@Configuration
class JsonSetup {

    @Bean
    JsonMapper jsonMapper() {
        return ShowJson.mapper();
    }
}

package imperan.show;

import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** How parts and edits are written as JSON; one mapper for files, tables and browsers, so they cannot differ. */
public final class ShowJson {

    private static final JsonMapper MAPPER = JsonMapper.builder()
            .enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .enable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
            .enable(DeserializationFeature.FAIL_ON_NULL_CREATOR_PROPERTIES)
            .build();

    private ShowJson() {
    }

    public static JsonMapper mapper() {
        return MAPPER;
    }
}

package imperan.e2e;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What stands at the stand-ins, read from their own page. */
final class Standing {

    /** What a proof may not leave otherwise, as the page of the stand-ins names it; what goes on by itself is not among it. */
    private static final Set<String> VALUES =
            Set.of("level", "mute", "red", "green", "blue", "x", "y", "turbulence", "sources", "locate", "sleep");

    private Standing() {}

    /** @param page of the stand-ins */
    static Map<String, String> at(String page) {
        String answer = HttpClient.newHttpClient()
                .sendAsync(
                        HttpRequest.newBuilder(URI.create(page + "/state")).build(),
                        HttpResponse.BodyHandlers.ofString())
                .join()
                .body();
        Map<String, String> values = new TreeMap<>();
        for (JsonNode device : new JsonMapper().readTree(answer).path("devices")) {
            gather(device.path("name").asString(), device.path("picture"), values);
        }
        return values;
    }

    private static void gather(String path, JsonNode node, Map<String, String> values) {
        if (node.isObject()) {
            node.properties().forEach(entry -> {
                if (VALUES.contains(entry.getKey())) {
                    values.put(path + "/" + entry.getKey(), entry.getValue().toString());
                } else {
                    gather(path + "/" + entry.getKey(), entry.getValue(), values);
                }
            });
        } else if (node.isArray()) {
            for (int i = 0; i < node.size(); i++) {
                gather(path + "/" + i, node.get(i), values);
            }
        }
    }
}

package imperan.show;

import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Brings bodies of parts that were written by earlier versions up to this one: what they did not say yet, they say as they meant it. */
public final class Upgrade {

    private static final JsonMapper JSON = ShowJson.mapper();

    private static final String BEHAVIOUR =
            """
            {"guard": "NONE", "repeatSeconds": 0.2, "whenLost": {"goes": "NOWHERE", "value": 0.0}, "enabledWhen": null, "key": ""}""";

    private Upgrade() {}

    /**
     * @param version of the show file, or of the tables at the time of that version
     * @param body    changed in place; what is no body stays as it is, and so does what was brought up further already
     */
    public static void body(int version, JsonNode body) {
        if (version < 2) {
            from1(body);
        }
        if (version < 3) {
            from2(body);
        }
        if (version < 4) {
            from3(body);
        }
        if (version < 5) {
            from4(body);
        }
        if (version < 6) {
            from5(body);
        }
        if (version < 7) {
            from6(body);
        }
        if (version < 8) {
            from7(body);
        }
        if (version < 9) {
            from8(body);
        }
        if (version < 11) {
            from10(body);
        }
        if (version < 12) {
            from11(body);
        }
        if (version < 15) {
            from14(body);
        }
        if (version < 16) {
            from15(body);
        }
        if (version < 17) {
            from16(body);
        }
    }

    private static String kind(JsonNode body) {
        return body.path("kind").asString("");
    }

    private static void from1(JsonNode body) {
        if (kind(body).equals("target")) {
            add(
                    body,
                    """
                    {"transport": "UDP", "adapterAddress": null, "standIn": null, "startsHeld": false, "startList": [], "phrasebook": null,
                     "ticks": []}""");
        }
    }

    private static void from2(JsonNode body) {
        if (kind(body).equals("target")) {
            add(body, "{\"bundles\": false}");
            add(body.path("keepAlive"), "{\"answer\": null}");
        } else if (kind(body).equals("phrasebook")) {
            add(body.path("sheet"), "{\"bareAddresses\": false, \"startList\": []}");
            add(body.path("sheet").path("keepAlive"), "{\"answer\": null}");
        }
    }

    private static void from3(JsonNode body) {
        if (kind(body).equals("page")) {
            add(
                    body,
                    "{\"screen\": {\"kind\": \"DESK\", \"width\": 1280, \"height\": 800}, \"strip\": false, \"follows\": null}");
        } else if (kind(body).equals("control")) {
            add(body, "{\"icon\": \"\", \"behaviour\": " + BEHAVIOUR + "}");
            form(body.path("form"));
            body.path("sends").forEach(send -> send.path("arguments").forEach(argument -> {
                if (argument.path("from").asString("").equals("value")) {
                    add(argument, "{\"axis\": 0}");
                }
            }));
            body.path("listens").forEach(listen -> add(listen, "{\"role\": \"VALUE\", \"axis\": 0}"));
        }
    }

    private static void from4(JsonNode body) {
        if (kind(body).equals("layout") && !body.has("draft")) {
            add(body, "{\"draft\": null}");
        } else if (kind(body).equals("control") && !body.has("face")) {
            add(body, "{\"face\": {\"picture\": null, \"textSize\": \"NORMAL\", \"textPlace\": \"BELOW\"}}");
            JsonNode icon = ((ObjectNode) body).remove("icon");
            ((ObjectNode) body.path("face")).put("icon", icon == null ? "" : icon.asString(""));
        }
    }

    private static void from5(JsonNode body) {
        if (kind(body).equals("phrase")) {
            body.path("arguments").forEach(argument -> add(argument, "{\"marks\": []}"));
            add(body.path("answer"), "{\"words\": null}");
        }
        JsonNode form = body.path("form");
        switch (kind(form)) {
            case "fader" -> add(form, "{\"springs\": false, \"marks\": []}");
            case "knob" -> add(form, "{\"springs\": false}");
            case "button" -> add(form, "{\"group\": \"\"}");
            default -> {
                // the other forms say what they said
            }
        }
    }

    private static void from6(JsonNode body) {
        JsonNode form = body.path("form");
        if ((kind(form).equals("fader") || kind(form).equals("knob")) && !form.has("holdsAt")) {
            add(form, form.path("detent").asBoolean(false) ? "{\"holdsAt\": 0.5}" : "{\"holdsAt\": null}");
            ((ObjectNode) form).remove("detent");
        }
    }

    private static void from7(JsonNode body) {
        if (kind(body).equals("control")) {
            add(body.path("face"), "{\"meaning\": \"NONE\"}");
        }
    }

    private static void from8(JsonNode body) {
        if (kind(body).equals("phrasebook")) {
            dialect(body.path("sheet"));
        }
        if (kind(body).equals("phrase") && !body.has("effect")) {
            add(body, "{\"effect\": \"UNKNOWN\", \"masks\": []}");
            JsonNode answer = body.path("answer");
            JsonNode share = answer.path("tolerance");
            add(
                    answer,
                    "{\"says\": \"SAME\", \"given\": \"\", \"places\": [], \"finalSeconds\": null, \"told\": \"UNKNOWN\", \"tolerance\": null}");
            if (share.isNumber()) {
                ((ObjectNode) answer)
                        .putObject("tolerance")
                        .put("unit", "SHARE")
                        .set("of", share);
            }
        }
    }

    private static void from10(JsonNode body) {
        if (kind(body).equals("phrase") && !body.has("proof")) {
            add(
                    body,
                    "{\"proof\": {\"low\": null, \"high\": null, \"sweep\": false, \"spacing\": null, \"most\": null}}");
        }
    }

    /** Ranges, and the smoothing of a tilt, became steps of a chain. What sent true or false did so by the position, whatever its range said. */
    private static void from11(JsonNode body) {
        if (kind(body).equals("phrase")) {
            body.path("arguments").forEach(argument -> {
                if (!argument.has("reads")) {
                    add(argument, "{\"reads\": \"\"}");
                }
            });
        }
        if (!kind(body).equals("control")) {
            return;
        }
        JsonNode form = body.path("form");
        JsonNode seconds = form instanceof ObjectNode object ? object.remove("smoothingSeconds") : null;
        body.path("sends").forEach(send -> send.path("arguments").forEach(argument -> {
            if (argument.path("from").asString("").equals("value") && argument.has("low")) {
                ArrayNode steps =
                        shaping(argument, argument.path("type").asString("").equals("BOOLEAN"));
                if (seconds != null && seconds.asDouble(0) > 0) {
                    steps.insertObject(0).put("step", "smooth").set("seconds", seconds);
                }
            }
        }));
        body.path("listens").forEach(listen -> {
            if (listen.has("low")) {
                shaping(listen, false);
                if (!listen.path("role").asString("").equals("VALUE")) {
                    ((ObjectNode) listen).putNull("shaping");
                }
            }
        });
    }

    private static void from14(JsonNode body) {
        if (kind(body).equals("cue") && !body.has("at")) {
            add(body, "{\"at\": null}");
        } else if (kind(body).equals("cueList") && !body.has("track")) {
            add(body, "{\"track\": null}");
        }
    }

    /** How a phrase is asked, and which texts it takes, could not be said. */
    private static void from15(JsonNode body) {
        if (kind(body).equals("phrase") && !body.path("answer").has("ask")) {
            add(body.path("answer"), "{\"ask\": null}");
            body.path("arguments")
                    .forEach(
                            argument -> add(argument, "{\"texts\": {\"longest\": null, \"characters\": \"UNKNOWN\"}}"));
        }
    }

    /** How long a proof presses something could not be said. */
    private static void from16(JsonNode body) {
        if (kind(body).equals("phrase") && !body.path("proof").has("pressed")) {
            add(body.path("proof"), "{\"pressed\": null}");
        }
    }

    private static ArrayNode shaping(JsonNode line, boolean plain) {
        ObjectNode object = (ObjectNode) line;
        JsonNode low = object.remove("low");
        JsonNode high = object.remove("high");
        ArrayNode steps = object.putArray("shaping");
        ObjectNode scale =
                steps.addObject().put("step", "scale").put("fromLow", 0.0).put("fromHigh", 1.0);
        scale.set("low", plain ? scale.numberNode(0.0) : low);
        scale.set("high", plain ? scale.numberNode(1.0) : high);
        return steps;
    }

    /** That addresses may lack the slash at their start is a way to speak, beside others. */
    private static void dialect(JsonNode sheet) {
        JsonNode bare = sheet instanceof ObjectNode object ? object.remove("bareAddresses") : null;
        if (bare != null) {
            ((ObjectNode) sheet).put("dialect", bare.asBoolean(false) ? "osc-bare" : "osc");
        }
    }

    private static void form(JsonNode form) {
        switch (kind(form)) {
            case "fader" -> add(form, "{\"detent\": false}");
            case "lamp" -> add(form, "{\"states\": []}");
            case "button" -> {
                add(
                        form,
                        form.path("latching").asBoolean(false)
                                ? "{\"action\": \"LATCHING\"}"
                                : "{\"action\": \"MOMENTARY\"}");
                ((ObjectNode) form).remove("latching");
            }
            default -> {
                // the other forms say what they said
            }
        }
    }

    private static void add(JsonNode node, String fields) {
        if (node instanceof ObjectNode object) {
            object.setAll((ObjectNode) JSON.readTree(fields));
        }
    }
}

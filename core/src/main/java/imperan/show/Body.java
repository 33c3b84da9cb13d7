package imperan.show;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;

/** What a part is; its kind is its class. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
    @JsonSubTypes.Type(value = Target.class, name = "target"),
    @JsonSubTypes.Type(value = Layout.class, name = "layout"),
    @JsonSubTypes.Type(value = Page.class, name = "page"),
    @JsonSubTypes.Type(value = Control.class, name = "control")
})
public sealed interface Body permits Target, Layout, Page, Control {

    /** What a person calls this part, for lists of edits and for messages. */
    String called();
}

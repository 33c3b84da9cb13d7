package imperan.show;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;

/** What a part is; its kind is its class. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
    @JsonSubTypes.Type(value = Target.class, name = "target"),
    @JsonSubTypes.Type(value = Host.class, name = "host"),
    @JsonSubTypes.Type(value = Acceptance.class, name = "acceptance"),
    @JsonSubTypes.Type(value = Phrasebook.class, name = "phrasebook"),
    @JsonSubTypes.Type(value = Phrase.class, name = "phrase"),
    @JsonSubTypes.Type(value = Layout.class, name = "layout"),
    @JsonSubTypes.Type(value = Page.class, name = "page"),
    @JsonSubTypes.Type(value = Lock.class, name = "lock"),
    @JsonSubTypes.Type(value = Tray.class, name = "tray"),
    @JsonSubTypes.Type(value = Twin.class, name = "twin"),
    @JsonSubTypes.Type(value = Control.class, name = "control")
})
public sealed interface Body permits Target, Host, Acceptance, Phrasebook, Phrase, Layout, Page, Laid, Lock {

    /** What a person calls this part, for lists of edits and for messages. */
    String called();
}

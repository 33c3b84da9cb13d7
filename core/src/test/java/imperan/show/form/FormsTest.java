package imperan.show.form;

import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.InstanceofCheck;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import imperan.show.ShowJson;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Walks through all forms: one that is forgotten in the list or in the schema is noticed here, and so is code that asks which form a control has. */
class FormsTest {

    private static final JavaClasses CORE = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("imperan");

    @Test
    void everyFormIsInTheList() {
        Set<String> forms = CORE.stream()
                .filter(type -> type.isAssignableTo(Form.class) && !type.isInterface())
                .map(JavaClass::getName)
                .collect(Collectors.toSet());
        assertThat(Forms.ALL.values().stream().map(Class::getName)).containsExactlyInAnyOrderElementsOf(forms);
    }

    @Test
    void everyFormIsInTheSchemaOfTheFileAndNoOther() throws IOException {
        JsonNode forms = ShowJson.mapper()
                .readTree(Files.readString(Path.of("../docs/show-file.schema.json")))
                .path("$defs")
                .path("control")
                .path("properties")
                .path("form")
                .path("oneOf");
        Set<String> names = new HashSet<>();
        forms.forEach(form -> {
            JsonNode kind = form.path("properties").path("kind");
            kind.path("enum").forEach(name -> names.add(name.stringValue()));
            names.add(kind.path("const").asString(""));
        });
        names.remove("");
        assertThat(names).containsExactlyInAnyOrderElementsOf(Forms.ALL.keySet());
    }

    /** What a form does is in its class: adding one changes no other. */
    @Test
    void nobodyAsksWhichFormAControlHas() {
        Set<InstanceofCheck> checks = CORE.stream()
                .filter(type -> !type.getPackageName().equals(Form.class.getPackageName()))
                .flatMap(type -> type.getInstanceofChecks().stream())
                .filter(check -> check.getRawType().isAssignableTo(Form.class))
                .collect(Collectors.toSet());
        assertThat(checks).isEmpty();
    }
}

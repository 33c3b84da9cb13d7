package imperan;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import java.time.Instant;

/** The core stays a core: no framework, no socket, no thread, no clock; and its packages form no circles. */
@AnalyzeClasses(packages = "imperan", importOptions = ImportOption.DoNotIncludeTests.class)
class LayersTest {

    @ArchTest
    static final ArchRule NO_FRAMEWORKS_SOCKETS_THREADS = noClasses()
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(
                    "org.springframework..",
                    "io.netty..",
                    "java.net..",
                    "java.nio.channels..",
                    "java.sql..",
                    "java.util.concurrent..",
                    "org.slf4j..");

    @ArchTest
    static final ArchRule NO_CLOCK = noClasses()
            .should()
            .callMethod(System.class, "nanoTime")
            .orShould()
            .callMethod(System.class, "currentTimeMillis")
            .orShould()
            .callMethod(Instant.class, "now");

    @ArchTest
    static final ArchRule NO_CIRCLES =
            slices().matching("imperan.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule OSC_STANDS_ALONE = noClasses()
            .that()
            .resideInAPackage("imperan.osc")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("imperan.show", "imperan.live", "imperan.rig");

    /** What is wanted of pages knows nothing of how it is done, and those who do it form no circles. */
    @ArchTest
    static final ArchRule ROOMS_OF_LAYOUT =
            slices().matching("imperan.layout.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule WHAT_IS_WANTED_OF_LAYOUTS = noClasses()
            .that()
            .resideInAPackage("imperan.layout")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("imperan.layout.*..");

    /** What is spoken on the wire is the business of dialects: OSC is one of them. */
    @ArchTest
    static final ArchRule NO_CODEC_BUT_BY_A_DIALECT = noClasses()
            .that()
            .resideInAnyPackage(
                    "imperan.live..", "imperan.show..", "imperan.line..", "imperan.check..", "imperan.layout..")
            .should()
            .dependOnClassesThat()
            .haveSimpleNameStartingWith("OscEncoder")
            .orShould()
            .dependOnClassesThat()
            .haveSimpleNameStartingWith("OscDecoder");
}

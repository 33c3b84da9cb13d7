package imperan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static imperan.show.Page.plain;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import imperan.server.store.Keeper;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.EditRequest;
import imperan.show.Outcome;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Send;
import imperan.show.form.Knob;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** What a target can do, against what the pages reach of it. */
class CoverageTest extends InstalledTest {

    @Test
    void whatNoControlReachesIsListedAndAControlThatDoesNothingLeadsToItsPath() {
        PartId lost = new PartId("lost-knob");
        PartId empty = new PartId("lost-page");
        Outcome outcome = imperan.bean(Keeper.class)
                .edit(
                        imperan.show(),
                        new EditRequest(
                                "A knob that says nothing known",
                                List.of(
                                        new EditRequest.Put(
                                                new Part(
                                                        empty,
                                                        Optional.of(new PartId("wheelhouse")),
                                                        90,
                                                        plain("Lost", 4, 4)),
                                                0),
                                        new EditRequest.Put(
                                                new Part(
                                                        lost,
                                                        Optional.of(empty),
                                                        90,
                                                        Control.plain(
                                                                "Lost",
                                                                new Cells(0, 0, 2, 2),
                                                                Knob.restingAt(0),
                                                                List.of(
                                                                        new Send(
                                                                                Send.Phase.CHANGE,
                                                                                Optional.of(new PartId("bellows")),
                                                                                "/bellows/echo",
                                                                                List.of(
                                                                                        new ArgumentSource.Value(
                                                                                                ArgumentType.FLOAT32,
                                                                                                0,
                                                                                                1)))),
                                                                List.of())),
                                                0))),
                        new Person("ada", "Ada"))
                .join();
        Page page = chromium.device("Ada");
        assertThat(outcome).as("%s", outcome).isInstanceOf(Outcome.Accepted.class);
        page.navigate(imperan.url("/#/lines"));
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Coverage"))
                .click();
        page.getByLabel("Target", new Page.GetByLabelOptions().setExact(true)).click();
        page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("Bellows"))
                .click();
        assertThat(page.getByText("of 19 phrases are reached by a control")).isVisible();
        assertThat(page.locator("[data-coverage='/bellows/main/solo']")).containsText("0 of 1 said");
        assertThat(page.locator("[data-coverage='/bellows/in/<ch:1..12>/level']"))
                .hasCount(0);
        page.getByText("only what is not reached").click();
        page.getByLabel("Filter the phrases").fill("level");
        Locator level = page.locator("[data-coverage='/bellows/in/<ch:1..12>/level']");
        assertThat(level).containsText("12 of 12 said");
        assertThat(level).containsText("Sound");
        assertThat(page.locator("[data-coverage='/bellows/main/solo']")).hasCount(0);
        Locator pages = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Pages"));
        assertThat(pages).containsText("39 of 39 controls reach it");
        Locator idle = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Controls that do nothing"));
        assertThat(idle).containsText("/bellows/echo");
        idle.getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("Lost"))
                .click();
        assertThat(page.getByRole(
                                AriaRole.GROUP,
                                new Page.GetByRoleOptions().setName("Message").setExact(true))
                        .getByLabel("Address"))
                .hasValue("/bellows/echo");
    }
}

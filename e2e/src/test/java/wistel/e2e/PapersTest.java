package wistel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/** Papers in the browser: fetched from a maker, looked into, checked for drift, made from a chart. */
public class PapersTest extends InBrowser {
    private static final int PRINTED_WITHIN = 120;

    private void paper(String name) {
        page.navigate(wistel.address + "/papers");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(name).setExact(true)).first().click();
        page.waitForURL(Pattern.compile(".*/papers/[0-9a-f-]{36}"));
    }

    @Test(dependsOnGroups = "way")
    public void aPaperIsFetchedFromItsMakerAndLookedInto() throws Exception {
        page.navigate(wistel.address + "/papers");
        button("From paper makers").click();
        page.getByLabel("Paper, surface, maker or printer").fill("laid");
        button("Fetch Heath Laid 240 for Ardle 17, fine").click();
        assertThat(page.getByText("What was fetched")).isVisible(within(60));
        assertThat(page.getByText("From Heath and Moss, edition 1.")).isVisible();
        button("Pair them").click();
        assertThat(page.getByText("What was fetched")).isHidden();
        paper("Heath Laid 240");
        assertThat(page.getByText(Pattern.compile("Heath and Moss, edition 1, fetched"))).isVisible();
        Locator solid = page.getByRole(AriaRole.APPLICATION);
        byte[] before = settled(solid);
        solid.focus();
        page.keyboard().press("ArrowLeft");
        assertThat(settled(solid)).isNotEqualTo(before);
    }

    @Test(dependsOnMethods = "aPaperIsFetchedFromItsMakerAndLookedInto")
    public void driftIsToldWithItsReason() throws Exception {
        paper("Skerry Baryta 310");
        button("Check it").click();
        assertThat(button("Read the strip")).isVisible(within(PRINTED_WITHIN));
        button("Read the strip").click();
        assertThat(page.getByText(Pattern.compile("prints look as the profile says"))).isVisible();
        wistel.inTheRoom("printer=small&do=drift&drift=BLOCKED_NOZZLE");
        button("Check it again").click();
        assertThat(button("Read the strip")).isVisible(within(PRINTED_WITHIN));
        button("Read the strip").click();
        assertThat(page.getByText(Pattern.compile("Clean its nozzles"))).isVisible();
        wistel.inTheRoom("printer=small&do=drift&drift=NONE");
    }

    @Test(dependsOnMethods = "driftIsToldWithItsReason")
    public void aProfileIsMadeFromThreeHundredPatches() {
        paper("Skerry Baryta 310");
        button("Make a profile").click();
        page.getByLabel("chart", new Page.GetByLabelOptions().setExact(true)).click();
        page.getByText(Pattern.compile("^300 patches")).click();
        page.getByLabel("hours to dry").fill("0");
        page.getByLabel("it becomes").click();
        page.getByText("a paper of its own").click();
        page.getByLabel("paper", new Page.GetByLabelOptions().setExact(true)).fill("Skerry, made here");
        button("Print the chart").click();
        page.waitForURL(Pattern.compile(".*/papers/making/.*"));
        assertThat(button("Read page 1")).isVisible(within(PRINTED_WITHIN));
        button("Read page 1").click();
        assertThat(page.getByText("Every patch fits its neighbours.")).isVisible();
        page.getByText("neutral under D50").click();
        button("Make the profile").click();
        assertThat(button("Keep it")).isVisible(within(60));
        assertThat(page.getByRole(AriaRole.ROW, new Page.GetByRoleOptions().setName(Pattern.compile("held-back patches"))))
            .containsText(Pattern.compile("ΔE 0\\.\\d\\d"));
        button("Keep it").click();
        page.waitForURL(Pattern.compile(".*/papers/[0-9a-f-]{36}"));
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(Pattern.compile("Skerry, made here"))))
            .isVisible();
        assertThat((int) (Integer) page.evaluate("document.documentElement.scrollWidth")).isLessThanOrEqualTo(1280);
    }
}

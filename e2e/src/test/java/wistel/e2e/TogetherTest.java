package wistel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Path;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/** Dockets of the bench and pictures from files on one sheet, cut right across, in the browser; after the way, on what the demo brings. */
public class TogetherTest extends InBrowser {
    @Test(dependsOnGroups = "way")
    public void waitingDocketsAndFilesArePrintedTogetherAndEachIsJudged() {
        page.navigate(wistel.address + "/");
        Locator group = page.locator(".group").filter(new Locator.FilterOptions().setHasText("Corrie Lustre 260, A4"));
        group.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^Print these together"))).click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Lay these 2")).click();
        page.waitForURL(Pattern.compile(".*/dockets/.*/size"));
        assertThat(page.getByTestId("readback")).containsText("2 pictures together");
        for (String picture : new String[] {"salt-pans-february.jpg", "dune-west-wind.jpg", "fells-first-light.jpg"}) {
            page.getByTestId("more-pictures").setInputFiles(Path.of("../demo/pictures/" + picture));
            assertThat(page.getByLabel("Pieces").getByText(Pattern.compile(picture.substring(0, 4), Pattern.CASE_INSENSITIVE)).first())
                .isVisible(within(30));
        }
        assertThat(page.getByTestId("readback")).containsText("5 pictures together");
        for (Locator width : page.getByLabel(Pattern.compile("^Width of ")).all()) {
            width.fill("9cm");
            width.press("Enter");
            page.waitForTimeout(400);
        }
        assertThat(page.getByTestId("readback")).containsText("4 cuts right across");
        page.getByText("tightest", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(page.getByLabel(Pattern.compile("^Undo: laid as tightly"))).isVisible();
        page.getByText("cut right across", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(page.getByLabel(Pattern.compile("^Undo: laid to be cut right across"))).isVisible();
        assertThat(page.locator(".cuts circle")).hasCount(4);
        assertThat((int) (Integer) page.evaluate("document.documentElement.scrollWidth")).isLessThanOrEqualTo(1280);
        page.navigate(page.url().replace("/size", "/release"));
        button("Print").click();
        assertThat(page.getByTestId("attempt").first()).containsText(Pattern.compile("printed|failed"),
            new LocatorAssertions.ContainsTextOptions().setTimeout(180_000));
        assertThat(page.getByTestId("attempt").first()).not().containsText("failed");
        assertThat(page.getByText(Pattern.compile("Proof and print differ by ΔE [012]\\.\\d\\d")).first()).isVisible(within(60));
    }

    /** A print that is moved by the keys stays where it was put; all is taken back in one step each. */
    @Test(dependsOnGroups = "way")
    public void aPieceIsPlacedByHandWithTheKeys() {
        page.navigate(wistel.address + "/");
        page.getByText("Boat yard, four sizes").click();
        page.waitForURL(Pattern.compile(".*/dockets/.*"));
        page.navigate(page.url().replaceAll("(.*/dockets/[^/]+).*", "$1") + "/size");
        assertThat(page.locator(".print")).hasCount(6);
        page.locator(".print").first().focus();
        page.keyboard().press("ArrowUp");
        assertThat(page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("by hand"))).isChecked();
        page.getByLabel(Pattern.compile("^Undo: a piece moved")).click();
        assertThat(page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("cut right across"))).isChecked();
    }
}

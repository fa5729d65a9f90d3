package wistel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
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
        for (Locator width : page.getByLabel("Pieces").getByLabel(Pattern.compile("^Width of ")).all()) {
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

    /** Pictures that are chosen at once become a contact sheet; one that can't be read is named, and the others go on. */
    @Test(dependsOnGroups = "way", dependsOnMethods = "waitingDocketsAndFilesArePrintedTogetherAndEachIsJudged")
    public void picturesBroughtAtOnceBecomeAContactSheet() throws IOException {
        Path list = Files.createTempFile("list", ".jpg");
        Files.writeString(list, "no picture");
        page.navigate(wistel.address + "/");
        page.getByTestId("chooser").setInputFiles(new Path[] {Path.of("../demo/pictures/salt-pans-february.jpg"),
            Path.of("../demo/pictures/dune-west-wind.jpg"), list, Path.of("../demo/pictures/boat-yard-night.jpg")});
        page.getByText("A contact sheet").click();
        button("Bring them").click();
        assertThat(page.locator(".gathering")).containsText("3 of 4 brought, 1 left out", new LocatorAssertions.ContainsTextOptions()
            .setTimeout(60_000));
        assertThat(page.locator(".gathering")).containsText("This is not a picture file that Wistel knows");
        page.getByText("open it").click();
        page.waitForURL(Pattern.compile(".*/dockets/.*/size"));
        assertThat(page.locator(".print")).hasCount(3);
        assertThat(page.locator(".cuts circle")).hasCount(0);
        button("file names").click();
        assertThat(page.getByLabel("Pieces").locator("li").first()).containsText("Boat yard night");
        page.getByText("pick all 3").click();
        page.getByLabel("Copies of each").fill("2");
        page.getByLabel("Copies of each").press("Enter");
        assertThat(page.locator(".print")).hasCount(6);
        page.getByLabel(Pattern.compile("^Undo: pieces 2 times each")).click();
        assertThat(page.locator(".print")).hasCount(3);
        page.navigate(page.url().replace("/size", "/picture"));
        Locator strip = page.getByLabel("Picture looked at");
        assertThat(strip.getByRole(AriaRole.TAB)).hasCount(3);
        page.keyboard().press(".");
        assertThat(strip.getByRole(AriaRole.TAB).nth(1)).hasAttribute("aria-selected", "true");
        Files.delete(list);
    }

    /** What is decided once is kept under a name and offered for the next picture; several dockets go to the printer in one press. */
    @Test(dependsOnGroups = "way", dependsOnMethods = "picturesBroughtAtOnceBecomeAContactSheet")
    public void docketsStartAlikeAndArePrintedOneAfterAnother() {
        page.navigate(wistel.address + "/");
        page.getByText("Boat yard, night").first().click();
        page.waitForURL(Pattern.compile(".*/dockets/.*"));
        button("Keep as a start …").click();
        page.getByLabel("Name of the starting point").fill("Lustre, as the boats");
        button("Keep it").click();
        assertThat(page.getByText("is offered from now on")).isVisible();
        page.navigate(wistel.address + "/");
        page.getByTestId("chooser").setInputFiles(Path.of("../demo/pictures/dune-west-wind.jpg"));
        page.getByLabel("Starting point").click();
        page.getByText(Pattern.compile("^Lustre, as the boats")).last().click();
        button("Bring it").click();
        Locator group = page.locator(".group").filter(new Locator.FilterOptions().setHasText("Corrie Lustre 260, A4"));
        assertThat(group).containsText("Dune west wind", new LocatorAssertions.ContainsTextOptions().setTimeout(30_000));
        group.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^One after another"))).click();
        Locator dialog = page.getByRole(AriaRole.DIALOG);
        dialog.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^Print these"))).click();
        assertThat(dialog).containsText("On their way, in this order");
        assertThat(dialog.locator("ol li").first()).isVisible();
        dialog.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Take them back")).click();
        assertThat(page.getByText(Pattern.compile("taken back\\.")).first()).isVisible(within(10));
    }
}

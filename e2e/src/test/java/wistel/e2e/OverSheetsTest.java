package wistel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/** One picture over several sheets, in the browser: sheets chosen, a joint dragged, printed, and the scans joined. */
public class OverSheetsTest extends InBrowser {
    private static Locator joint(int number, String between) {
        return page.getByRole(AriaRole.SLIDER, new Page.GetByRoleOptions().setName("Joint " + number + " between " + between));
    }

    private static void takes(String stock) {
        page.getByText(Pattern.compile("^all \\d+$")).click();
        page.locator(".tilings").getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile(stock + "$"))).click();
    }

    @Test(dependsOnGroups = "way")
    public void sheetsAreChosenOneIsSpoiltAndTheScansMeet() throws Exception {
        page.navigate(wistel.address + "/");
        page.getByText("Fells over six sheets").click();
        page.waitForURL(Pattern.compile(".*/dockets/.*"));
        page.navigate(page.url().replaceAll("(.*/dockets/[^/]+).*", "$1") + "/size");
        assertThat(page.getByTestId("readback")).containsText("together 1200 × 800 mm with 12.7 mm of overlap to be glued");
        assertThat(page.locator(".sheets-strip li")).hasCount(6);
        takes("A3, across");
        assertThat(page.locator(".sheets-strip li")).hasCount(12);
        assertThat((int) (Integer) page.evaluate("document.documentElement.scrollWidth")).isLessThanOrEqualTo(1280);
        page.getByText("even", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(page.getByLabel(Pattern.compile("^Undo: parted evenly"))).isVisible();
        BoundingBox at = joint(1, "columns").boundingBox();
        page.mouse().move(at.x + at.width / 2, at.y + at.height / 2);
        page.mouse().down();
        page.mouse().move(at.x + at.width / 2 + 12, at.y + at.height / 2);
        page.mouse().up();
        assertThat(page.getByLabel(Pattern.compile("^Undo: a joint moved to"))).isVisible();
        assertThat(page.getByText("back to even")).isVisible();
        page.getByLabel(Pattern.compile("^Undo: a joint moved to")).click();
        assertThat(page.getByText("back to even")).not().isVisible();
        joint(1, "columns").press("Shift+ArrowLeft");
        assertThat(page.getByLabel(Pattern.compile("^Undo: a joint moved to"))).isVisible();
        page.getByText("trim and butt").click();
        assertThat(page.getByTestId("readback")).containsText("to be cut and laid edge to edge");
        page.getByText("overlap and glue").click();
        Locator overlap = page.getByLabel("Overlap", new Page.GetByLabelOptions().setExact(true)).and(page.locator("input[type=text]"));
        overlap.fill("0.6in");
        overlap.press("Enter");
        assertThat(page.getByTestId("readback")).containsText("together 1200 × 800 mm with 15.2 mm of overlap");
        page.navigate(page.url().replace("/size", "/release"));
        button("Print").click();
        Locator goesOn = page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Go on from page")));
        assertThat(page.getByText(Pattern.compile("^page 1: printed"))).isVisible(within(120));
        for (int times = 0; times < 100 && !goesOn.isVisible(); times++) {
            wistel.inTheRoom("printer=large&do=spoil");
            page.waitForTimeout(300);
        }
        assertThat(page.getByTestId("attempt").first()).containsText("failed");
        goesOn.click();
        assertThat(page.locator(".pages li").filter(new Locator.FilterOptions().setHasText(": printed"))).hasCount(12,
            new LocatorAssertions.HasCountOptions().setTimeout(240_000));
        assertThat(page.getByText("Neighbours meet: no joint differs so that it would be seen.")).isVisible(within(60));
        assertThat(page.getByAltText("All sheets as they will be joined, from their scans")).isVisible();
    }
}

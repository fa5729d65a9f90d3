package wistel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Mouse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.KeyboardModifier;
import java.util.List;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/** What the print teaches, in the browser: a strip of variations and the piece that is right; a place drawn on the proof. */
public class VariationsTest extends InBrowser {
    private static void opened(String title, String station) {
        page.navigate(wistel.address + "/");
        page.getByText(title, new Page.GetByTextOptions().setExact(true)).first().click();
        page.waitForURL(Pattern.compile(".*/dockets/.*"));
        page.navigate(page.url().replaceAll("(.*/dockets/[^/]+).*", "$1") + "/" + station);
    }

    private static Locator piece(String words) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(words).setExact(true));
    }

    @Test(dependsOnGroups = "way")
    public void aStripIsPrintedAndTheDocketTakesOverThePieceThatIsRight() {
        opened("Poppies, copper still", "proof");
        button("Try variations").click();
        assertThat(page.getByTestId("readback")).containsText("15 pieces of one part of the picture, lightness −20 to +20 across");
        assertThat(page.locator(".laid-strip .piece")).hasCount(15);
        assertThat((int) (Integer) page.evaluate("document.documentElement.scrollWidth")).isLessThanOrEqualTo(1280);
        Locator steps = page.getByLabel("Steps across");
        steps.fill("3");
        steps.press("Enter");
        assertThat(page.locator(".laid-strip .piece")).hasCount(9);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("strongest colour")).click();
        assertThat(page.getByLabel(Pattern.compile("^Undo: crop"))).isVisible();
        button("On to the machine").click();
        page.navigate(page.url().replaceAll("(.*/dockets/[^/]+).*", "$1") + "/release");
        button("Print").click();
        assertThat(page.getByTestId("attempt").first()).containsText("printed",
            new LocatorAssertions.ContainsTextOptions().setTimeout(90_000));
        page.navigate(page.url().replace("/release", "/size"));
        page.getByText("as it came out", new Page.GetByTextOptions().setExact(true)).click();
        piece("lightness +10").click();
        piece("as it is").click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.SHIFT)));
        assertThat(page.getByText("between “lightness +10” and “as it is”")).isVisible();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("like the middle$"))).click();
        assertThat(page.getByText(Pattern.compile("is printed like this piece now: lightness \\+5"))).isVisible();
        button("Open it").click();
        assertThat(page.getByLabel("Undo: like the strip's piece “lightness +5”")).isVisible();
        assertThat(page.getByTestId("readback")).containsText("brightness +5");
    }

    @Test(dependsOnGroups = "way")
    public void aPlaceIsDrawnDraggedByKeysAndSwitchedOff() {
        opened("Dune, west wind", "proof");
        page.getByText("compensate", new Page.GetByTextOptions().setExact(true)).click();
        page.getByText("edges, places, slopes").click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("a place").setExact(true)).click();
        assertThat(page.getByText("Drag on the proof from the middle of the place outwards.")).isVisible();
        BoundingBox at = page.locator(".divide").boundingBox();
        page.mouse().move(at.x + at.width * 0.7, at.y + at.height * 0.4);
        page.mouse().down();
        page.mouse().move(at.x + at.width * 0.8, at.y + at.height * 0.5, new Mouse.MoveOptions().setSteps(4));
        page.mouse().up();
        assertThat(page.getByTestId("readback")).containsText("locally: a place lighter by 10");
        Locator middle = page.getByLabel(Pattern.compile("^a place, middle"));
        String before = middle.getAttribute("style");
        middle.press("Shift+ArrowLeft");
        assertThat(middle).not().hasAttribute("style", before);
        Locator lightness = page.getByLabel("Locally: lightness").and(page.locator("input"));
        lightness.fill("20");
        assertThat(page.getByTestId("readback")).containsText("a place lighter by 20");
        page.getByLabel("a place 1 in force").uncheck();
        assertThat(page.getByTestId("readback")).not().containsText("locally");
    }
}

package wistel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/** Wraps and the tone bench in the browser, on what the demo brings; after the way, which prints one of these dockets as it came. */
public class WrapsAndTonesTest extends InBrowser {
    /**
     * A picture is wrapped, its body typed, its sides chosen from all ways side by side, looked at folded and flat, cut up, and unwrapped
     * again.
     */
    @Test(dependsOnGroups = "way")
    public void aPictureIsWrappedRoundABody() throws Exception {
        page.navigate(wistel.address + "/");
        page.getByText("Fells, a metre wide").click();
        page.waitForURL(Pattern.compile(".*/dockets/.*"));
        page.navigate(page.url().replaceAll("(.*/dockets/[^/]+).*", "$1") + "/size");
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("wrapped")).click();
        Locator width = page.getByLabel("Face width", new Page.GetByLabelOptions().setExact(true));
        width.fill("24cm");
        width.press("Enter");
        assertThat(page.getByTestId("readback")).containsText("240 × 160 mm on");
        page.getByText("stretcher bars").click();
        assertThat(page.getByText(Pattern.compile("is no canvas"))).isVisible();
        page.getByText("a board", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(page.getByText(Pattern.compile("is no canvas"))).isHidden();
        Locator depth = page.getByLabel("Depth", new Page.GetByLabelOptions().setExact(true));
        depth.fill("90");
        depth.press("Enter");
        assertThat(page.getByText(Pattern.compile("deeper than half of the face"))).isVisible();
        COMPLAINTS.removeIf(c -> c.contains("status of 400"));
        Locator body = page.getByRole(AriaRole.APPLICATION);
        byte[] folded = settled(body);
        body.focus();
        page.keyboard().press("ArrowLeft");
        assertThat(settled(body)).isNotEqualTo(folded);
        byte[] turned = settled(body);
        page.keyboard().press("f");
        page.waitForTimeout(1200);
        assertThat(settled(body)).isNotEqualTo(turned);
        page.getByText("Sides", new Page.GetByTextOptions().setExact(true)).click();
        page.getByText("all sides").click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("grown outwards")).click();
        assertThat(page.getByTestId("readback")).containsText("sides grown outwards");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("one colour")).click();
        assertThat(page.getByTestId("readback")).containsText("sides in one colour");
        page.getByText("flat", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(page.getByAltText("What is printed: face and sides")).isVisible();
        page.getByText("Body", new Page.GetByTextOptions().setExact(true)).click();
        page.getByLabel("Pieces side by side").fill("2");
        page.getByLabel("Pieces side by side").press("Enter");
        assertThat(page.getByTestId("readback")).containsText("2 pieces of 105 × 160 mm");
        assertThat((int) (Integer) page.evaluate("document.documentElement.scrollWidth")).isLessThanOrEqualTo(1280);
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("one picture")).click();
        assertThat(page.getByTestId("readback")).containsText("picture 240 × 160 mm");
    }

    /** A wedge in the driver's monochrome is printed, read, straightened and kept. */
    @Test(dependsOnGroups = "way")
    public void aWedgeIsPrintedReadAndItsCurveKept() {
        page.navigate(wistel.address + "/");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Tone bench")).click();
        button("Print the wedge").click();
        assertThat(button("Read by the instrument")).isVisible(within(240));
        button("Read by the instrument").click();
        assertThat(page.getByText(Pattern.compile("^A correction of up to \\d\\.\\d % straightens it"))).isVisible();
        assertThat(page.getByRole(AriaRole.SLIDER).first()).isVisible();
        button("Use the curve").click();
        assertThat(page.getByText(Pattern.compile("^In force: monochrome dockets in this mode"))).isVisible();
        assertThat((int) (Integer) page.evaluate("document.documentElement.scrollWidth")).isLessThanOrEqualTo(1280);
    }
}

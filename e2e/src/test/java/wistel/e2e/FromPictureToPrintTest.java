package wistel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Mouse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.awt.Color;
import java.awt.GradientPaint;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;
import org.testng.annotations.Test;

/** A photographer's way through Wistel in a real browser, at 1280 x 800, on the demo as the README's command starts it. */
public class FromPictureToPrintTest extends InBrowser {
    private static Path picture() throws Exception {
        BufferedImage image = new BufferedImage(1500, 1000, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = image.createGraphics();
        g.setPaint(new GradientPaint(0, 0, new Color(40, 70, 120), 0, 1000, new Color(235, 190, 150)));
        g.fillRect(0, 0, 1500, 1000);
        g.setColor(new Color(30, 40, 30));
        g.fillOval(200, 600, 900, 700);
        g.dispose();
        Path file = Files.createTempDirectory("pictures").resolve("evening-hill.png");
        ImageIO.write(image, "png", file.toFile());
        return file;
    }

    @Test
    public void theDemoLiesOnTheBenchInEveryState() {
        page.navigate(wistel.address + "/");
        for (String title : List.of("Salt pans, February", "Poppies, copper still", "Slate quarry I", "Harbour, last ferry",
            "Greenhouse, morning")) {
            assertThat(page.getByText(title)).isVisible(within(90));
        }
        assertThat(page.getByRole(AriaRole.IMG, new Page.GetByRoleOptions().setName("blocked")).first()).isVisible();
        assertThat((int) (Integer) page.evaluate("document.documentElement.scrollWidth")).isLessThanOrEqualTo(1280);
    }

    @Test(dependsOnMethods = "theDemoLiesOnTheBenchInEveryState")
    public void aDroppedPictureGoesThroughSixStationsToAPrintAndIsPrintedAgain() throws Exception {
        Path good = picture();
        Path bad = good.resolveSibling("shopping-list.jpg");
        Files.writeString(bad, "milk, paper, ink");
        page.getByTestId("chooser").setInputFiles(new Path[] {bad, good});
        button("Bring them").click();
        assertThat(page.getByText("This is not a picture file that Wistel knows.")).isVisible();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("on the bench")).click();

        // picture: its missing profile is asked for once
        assertThat(page.getByText("The file says nothing about its colour space.")).isVisible();
        page.getByText(Pattern.compile("^Read it as sRGB")).click();
        assertThat(page.getByText("The file says nothing about its colour space.")).isHidden();
        button("On to the paper").click();

        // paper
        page.getByText("Skerry Baryta 310").first().click();
        assertThat(page.getByTestId("readback")).containsText("A4 sheet of Skerry Baryta 310 from the rear feed");
        button("On to the size").click();

        // size: a length typed with its unit, too large first, mended, undone and redone by keys
        Locator width = page.getByLabel("Picture width");
        width.fill("29.5cm");
        width.press("Enter");
        assertThat(page.getByText(Pattern.compile("runs into the edge"))).isVisible();
        page.getByText(Pattern.compile("^Make it \\d+ mm wide")).click();
        assertThat(page.getByText(Pattern.compile("runs into the edge"))).isHidden();
        width = page.getByLabel("Picture width");
        width.fill("18cm");
        width.press("Enter");
        assertThat(page.getByTestId("readback")).containsText("picture 180 × 120 mm");
        // undo says what it takes back
        assertThat(page.getByLabel("Undo: picture 180 × 120 mm")).isEnabled();
        page.locator("body").click();
        page.keyboard().press("Control+z");
        assertThat(page.getByTestId("readback")).not().containsText("picture 180 × 120 mm");
        assertThat(page.getByLabel("Redo: picture 180 × 120 mm")).isEnabled();
        page.keyboard().press("Control+Shift+z");
        assertThat(page.getByTestId("readback")).containsText("picture 180 × 120 mm");
        button("On to the proof").click();

        // proof: an intent by key, a probe by pointing
        assertThat(page.getByAltText("Proof", new Page.GetByAltTextOptions().setExact(true))).isVisible();
        page.keyboard().press("1");
        assertThat(page.getByTestId("readback")).containsText("perceptual with black point compensation");
        page.locator(".divide").hover();
        assertThat(page.locator(".probe")).containsText("ΔE", new LocatorAssertions.ContainsTextOptions().setTimeout(10_000));
        button("On to the machine").click();

        // machine: colour is converted in one place, and the sentence follows
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("the driver").setExact(true)).click();
        assertThat(page.getByTestId("readback")).containsText("the driver converts the colour its own way");
        page.getByText("Let Wistel convert").click();
        assertThat(page.getByTestId("readback")).containsText("Wistel converts the colour");
        button("On to the release").click();

        // release: print, progress, scan beside the master, verdict
        assertThat(page.getByText("Not printed yet")).isVisible();
        button("Print").click();
        assertThat(page.getByTestId("progress")).isVisible();
        assertThat(page.getByTestId("attempt").first()).containsText(Pattern.compile("printed|failed"),
            new LocatorAssertions.ContainsTextOptions().setTimeout(180_000));
        assertThat(page.getByTestId("attempt").first()).not().containsText("failed");
        assertThat(page.getByAltText("Scan of the print")).isVisible(within(60));
        assertThat(page.getByText(Pattern.compile("Proof and print differ by ΔE [01]\\.\\d\\d"))).isVisible();
        page.getByLabel("Verdict on attempt 1").click();
        page.getByTitle("matches").last().click();
        assertThat(page.getByTestId("attempt").first()).containsText("printed, matches");

        // print log: found by its words, printed again exactly
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Print log")).click();
        page.getByLabel("Search the log").fill("evening");
        Locator rows = page.locator("tbody tr");
        assertThat(rows).hasCount(1);
        rows.first().getByRole(AriaRole.BUTTON).click();
        assertThat(rows).hasCount(2);
        assertThat(rows.first()).containsText("attempt 2");
        assertThat(rows.first()).containsText("printed", new LocatorAssertions.ContainsTextOptions().setTimeout(180_000));
    }

    @Test(dependsOnMethods = "aDroppedPictureGoesThroughSixStationsToAPrintAndIsPrintedAgain")
    public void everyStationFitsSmallAndLargeScreensWithItsMainDecisionInSight() {
        page.navigate(wistel.address + "/");
        page.getByText("Salt pans, February").click();
        page.waitForURL(Pattern.compile(".*/dockets/.*"));
        String docket = page.url().replaceAll("(.*/dockets/[^/]+).*", "$1");
        for (int[] size : new int[][] {{1024, 768}, {1280, 800}, {1920, 1080}}) {
            page.setViewportSize(size[0], size[1]);
            for (String station : List.of("picture", "paper", "size", "proof", "machine", "release")) {
                page.navigate(docket + "/" + station);
                Locator next = station.equals("release") ? button("Print") : page.getByText(Pattern.compile("^On to the "));
                assertThat(next).isVisible();
                assertThat((int) (Integer) page.evaluate("document.documentElement.scrollWidth")).as(station + " at " + size[0])
                    .isLessThanOrEqualTo(size[0]);
                double foot = next.boundingBox().y + next.boundingBox().height;
                if (size[0] >= 1280) {
                    assertThat(foot).as(station + " at " + size[0]).isLessThanOrEqualTo(size[1]);
                }
                double booth = page.locator(".booth").boundingBox().width;
                // the machine's settings take the larger part of its page
                assertThat(booth / size[0]).as("the booth's share at " + station).isGreaterThan(station.equals("machine") ? 0.38 : 0.57);
            }
        }
        page.setViewportSize(1280, 800);
    }

    /**
     * What isn't possible is struck out, says why, and one press makes way; the sheet to come is shown before it is printed, held, and let
     * go.
     */
    @Test(dependsOnMethods = "everyStationFitsSmallAndLargeScreensWithItsMainDecisionInSight")
    public void thePrintersRulesAreFollowedAndTheSheetIsSeenBeforeItIsPrinted() {
        page.navigate(wistel.address + "/");
        page.getByText("Dune on canvas").click();
        page.getByText("Machine", new Page.GetByTextOptions().setExact(true)).click();
        Locator mono = page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("the driver, monochrome"));
        assertThat(page.locator("label").filter(new Locator.FilterOptions().setHas(mono)))
            .hasAttribute("title", "not possible now: not with canvas");
        mono.click();
        assertThat(page.locator("[data-setting=route]")).containsText("not with canvas");
        Locator cutter = page.locator("[data-setting=finishings]");
        assertThat(cutter).containsText("not with canvas");
        page.getByText("30 mm kept").waitFor();
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("3 mm, at your own risk")).click();
        assertThat(page.getByText(Pattern.compile("it may well touch the head"))).isVisible();
        page.getByText("Keep 30 mm").click();
        assertThat(page.getByText(Pattern.compile("it may well touch the head"))).isHidden();
        page.getByText(Pattern.compile("the rest, in the printer's own words")).click();
        assertThat(page.getByText("gap under the head")).isVisible();
        button("On to the release").click();
        assertThat(page.getByAltText("The sheet as it would come out")).isVisible();
        assertThat(page.getByText(Pattern.compile("by the printer's own figures")).first()).isVisible();
        assertThat(page.getByText(Pattern.compile("mm of the roll of 24 in; none of it is loaded"))).isVisible();
        page.navigate(wistel.address + "/");
        page.getByText("Fells, a metre wide").click();
        page.locator(".track button").last().click();
        assertThat(page.getByText(Pattern.compile("m stay on it"))).isVisible();
        button("Hold it").click();
        assertThat(page.getByTestId("progress")).containsText("held: its file is made",
            new LocatorAssertions.ContainsTextOptions().setTimeout(120_000));
        button("Send it now").click();
        assertThat(page.getByTestId("attempt").first()).containsText(Pattern.compile("printed|failed"),
            new LocatorAssertions.ContainsTextOptions().setTimeout(180_000));
        assertThat(page.getByTestId("attempt").first()).not().containsText("failed");
    }

    @Test(dependsOnMethods = "thePrintersRulesAreFollowedAndTheSheetIsSeenBeforeItIsPrinted")
    public void aPrintIsCancelledFromItsStationAndTheDocketStaysReady() {
        page.navigate(wistel.address + "/");
        page.getByText("Salt pans, February").click();
        page.locator(".track button").last().click();
        button("Print").click();
        button("Cancel the print").click();
        assertThat(page.getByTestId("attempt").first()).containsText(Pattern.compile("[Cc]ancelled"),
            new LocatorAssertions.ContainsTextOptions().setTimeout(60_000));
        assertThat(button("Print")).isEnabled();
    }

    @Test(dependsOnMethods = "aPrintIsCancelledFromItsStationAndTheDocketStaysReady")
    public void everythingIsReachedByKeys() {
        page.navigate(wistel.address + "/");
        assertThat(page.getByText("Fells, first light")).isVisible();
        page.keyboard().press("/");
        page.keyboard().type("fells");
        assertThat(page.getByText("Salt pans, February")).isHidden();
        page.keyboard().press("Tab");
        page.getByText("Fells, first light").click();
        page.waitForURL(Pattern.compile(".*/dockets/.*"));
        assertThat(page.locator(".track button[aria-current=step]")).containsText("Picture");
        page.keyboard().press("]");
        page.keyboard().press("]");
        page.keyboard().press("]");
        assertThat(page.locator(".track button[aria-current=step]")).containsText("Proof");
        page.keyboard().press("g");
        assertThat(page.getByAltText("Out of gamut")).isVisible();
        page.keyboard().press("b");
        assertThat(page.locator(".booth.l70")).isVisible();
        page.keyboard().press("4");
        assertThat(page.getByTestId("readback")).containsText("absolute colorimetric)");
        page.keyboard().press("[");
        assertThat(page.locator(".track button[aria-current=step]")).containsText("Size");
        page.keyboard().press("?");
        assertThat(page.getByText("hold: see the master")).isVisible();
    }

    /** Typed, by keys and by the pointer: each is one step of undo. */
    @Test(dependsOnMethods = "everythingIsReachedByKeys")
    public void aPictureIsLaidByTypingByKeysAndByDragging() {
        page.navigate(wistel.address + "/");
        page.getByText("Dune, west wind").click();
        page.waitForURL(Pattern.compile(".*/dockets/.*"));
        page.navigate(page.url().replaceAll("(.*/dockets/[^/]+).*", "$1") + "/size");
        Locator readback = page.getByTestId("readback");
        Locator left = page.getByLabel("Border left", new Page.GetByLabelOptions().setExact(true));
        left.fill("2cm");
        left.press("Enter");
        assertThat(page.getByLabel(Pattern.compile("^Undo: picture .* 20 from the left"))).isVisible();
        page.getByLabel(Pattern.compile("^Picture: drag it")).focus();
        page.keyboard().press("ArrowRight");
        assertThat(page.getByLabel(Pattern.compile("^Undo: picture .* 21 from the left"))).isVisible();
        var box = page.locator(".mover").boundingBox();
        page.mouse().move(box.x + box.width / 2, box.y + box.height / 2);
        page.mouse().down();
        page.mouse().move(box.x + box.width / 2 + 25, box.y + box.height / 2 + 9, new Mouse.MoveOptions().setSteps(4));
        page.mouse().up();
        assertThat(page.getByLabel(Pattern.compile("^Undo: picture .* 21 from the left"))).hasCount(0);
        page.getByLabel(Pattern.compile("^Undo: ")).click();
        assertThat(page.getByLabel(Pattern.compile("^Undo: picture .* 21 from the left"))).isVisible();
        page.getByText("to the edge", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(readback).containsText("to the edge and 2 mm over it");
        // a shortcut goes on after a click on a radio button
        page.keyboard().press("Control+z");
        assertThat(readback).not().containsText("to the edge");
        page.getByText("Crop", new Page.GetByTextOptions().setExact(true)).click();
        page.getByLabel("Degrees", new Page.GetByLabelOptions().setExact(true)).fill("2");
        page.getByLabel("Degrees", new Page.GetByLabelOptions().setExact(true)).press("Enter");
        assertThat(page.getByLabel("Undo: crop, straightened by 2.0°")).isVisible();
        page.getByLabel(Pattern.compile("^Undo: crop")).click();
    }

    @Test(dependsOnMethods = "aPictureIsLaidByTypingByKeysAndByDragging")
    public void aFileForALabIsWrittenAndTakenAlong() {
        page.locator(".track button").last().click();
        opens(page.getByText("or write a file for a lab"), button("Write the file"));
        button("Write the file").click();
        assertThat(page.getByText("Take the file").first()).isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(60_000));
        assertThat(page.getByText(Pattern.compile("Print at 100 %")).first()).isVisible();
        var download = page.waitForDownload(() -> page.getByText("Take the file").first().click());
        assertThat(download.suggestedFilename()).isEqualTo("Dune, west wind.tif");
    }

    /** To have looked at the proof is no decision: undo goes past it to what was decided before. */
    @Test(dependsOnMethods = "aFileForALabIsWrittenAndTakenAlong")
    public void undoDoesNotStickAtTheProof() {
        page.navigate(wistel.address + "/");
        page.getByText("Harbour, last ferry").click();
        page.waitForURL(Pattern.compile(".*/dockets/.*"));
        String docket = page.url().replaceAll("(.*/dockets/[^/]+).*", "$1");
        page.navigate(docket + "/paper");
        page.getByText("Moss Cotton 300").first().click();
        assertThat(page.getByTestId("readback")).containsText("Moss Cotton 300");
        page.navigate(docket + "/proof");
        assertThat(page.locator(".track button").nth(3)).not().containsText("not looked at yet");
        page.getByLabel("Undo: paper Moss Cotton 300").click();
        assertThat(page.getByTestId("readback")).containsText("choose a paper");
    }

    /** The proof's second face: a slider with the proof following, and undo; the picture turned monochrome and back. */
    @Test(dependsOnMethods = "undoDoesNotStickAtTheProof")
    public void aPrintIsCompensatedAndTreatedOnScreen() {
        page.navigate(wistel.address + "/");
        page.getByText("Night yard on cotton").click();
        page.waitForURL(Pattern.compile(".*/dockets/.*"));
        String docket = page.url().replaceAll("(.*/dockets/[^/]+).*", "$1");
        page.navigate(docket + "/proof");
        page.getByText("compensate", new Page.GetByTextOptions().setExact(true)).click();
        Locator readback = page.getByTestId("readback");
        assertThat(readback).containsText("compensated by “cotton, night”");
        assertThat(page.getByText(Pattern.compile("of them stay apart"))).isVisible();
        page.getByLabel("contrast", new Page.GetByLabelOptions().setExact(true)).press("ArrowRight");
        assertThat(readback).containsText("compensated: ");
        page.getByLabel(Pattern.compile("^Undo: ")).click();
        assertThat(readback).containsText("“cotton, night”");
        page.navigate(docket + "/picture");
        page.getByText("monochrome", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(readback).containsText("monochrome");
        page.getByLabel("Lightness of red").press("Shift+ArrowUp");
        assertThat(readback).containsText("reds +10");
        page.getByLabel(Pattern.compile("^Undo: ")).click();
        page.getByLabel("Undo: monochrome", new Page.GetByLabelOptions().setExact(true)).click();
        assertThat(readback).not().containsText("monochrome");
    }

    /** A profile brought for this screen is what proofs are made for, until it is let go; one of a printer is refused in words. */
    @Test(dependsOnMethods = "aPrintIsCompensatedAndTreatedOnScreen")
    public void proofsAreMadeForThePersonsOwnScreen() {
        page.navigate(wistel.address + "/settings");
        assertThat(page.getByLabel("as this browser says: sRGB")).isChecked();
        Locator profile = page.locator("input[type=file][accept*=icc]");
        profile.setInputFiles(Path.of("../demo/profiles/skerry-baryta.icc"));
        assertThat(page.getByText(Pattern.compile("is the profile of a printer and its paper"))).isVisible();
        profile.setInputFiles(Path.of("../demo/profiles/wide-rgb.icc"));
        assertThat(page.getByLabel(Pattern.compile("^Wide RGB"))).isChecked();
        page.navigate(wistel.address + "/");
        page.getByText("Night yard on cotton").click();
        page.waitForURL(Pattern.compile(".*/dockets/.*"));
        page.navigate(page.url().replaceAll("(.*/dockets/[^/]+).*", "$1") + "/proof");
        assertThat(page.getByAltText("Proof", new Page.GetByAltTextOptions().setExact(true))).hasAttribute("src",
            Pattern.compile("display=[0-9a-f]{64}"));
        assertThat(page.getByText("This screen shows both as they are")).isVisible();
        page.navigate(wistel.address + "/settings");
        page.getByLabel(Pattern.compile("^Let go of Wide RGB")).click();
        assertThat(page.getByLabel("as this browser says: sRGB")).isChecked();
    }

    /** Print files and scans are kept as long as Settings says; a number out of its range is refused in words. */
    @Test(dependsOnMethods = "undoDoesNotStickAtTheProof")
    public void howLongPrintFilesAreKeptIsSet() {
        page.navigate(wistel.address + "/settings");
        page.getByLabel("print files, days").fill("90");
        page.getByLabel("print files, days").press("Tab");
        button("Keep it so").click();
        assertThat(button("Keep it so")).isDisabled();
        page.reload();
        assertThat(page.getByLabel("print files, days")).hasValue("90");
    }

    @Test(dependsOnMethods = "howLongPrintFilesAreKeptIsSet", groups = "way")
    public void aSecondTabFollowsWhatIsDecidedInTheFirst() {
        page.navigate(wistel.address + "/");
        page.getByText("Slate quarry I").click();
        page.waitForURL(Pattern.compile(".*/dockets/.*"));
        String docket = page.url().replaceAll("(.*/dockets/[^/]+).*", "$1");
        page.navigate(docket + "/size");
        Page other = browser.newPage();
        other.navigate(docket + "/size");
        assertThat(other.getByLabel("Picture width")).isVisible();
        page.getByText("even", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(page.getByTestId("readback")).containsText("37.8 above and 37.8 below");
        assertThat(other.getByTestId("readback")).containsText("37.8 above and 37.8 below");
        other.close();
    }

    @Test(dependsOnMethods = "aSecondTabFollowsWhatIsDecidedInTheFirst", alwaysRun = true)
    public void theLauncherTellsWhatRuns() throws Exception {
        assertThat(wistel.launcher("status")).contains("server      running   http://localhost:")
            .contains("print room  running   ipp://localhost:");
    }
}

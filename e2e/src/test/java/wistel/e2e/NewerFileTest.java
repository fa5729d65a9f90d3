package wistel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;
import org.testng.annotations.Test;

/** A picture comes back from the editor: dropped, and through the watched folder; after the way, on what the demo brings. */
public class NewerFileTest extends InBrowser {
    private static final String NAME = "boat-yard-night";

    /** The demo's picture with another frame, and so much lighter. */
    private static void export(Path to, int left, int lighter) throws IOException {
        BufferedImage whole = ImageIO.read(Path.of("../demo/pictures/" + NAME + ".jpg").toFile());
        BufferedImage part = new BufferedImage(whole.getWidth() - left, whole.getHeight(), BufferedImage.TYPE_INT_RGB);
        Graphics2D g = part.createGraphics();
        g.drawImage(whole, -left, 0, null);
        g.setColor(new Color(255, 255, 255, lighter));
        g.fillRect(0, 0, part.getWidth() / 3, part.getHeight());
        g.dispose();
        ImageIO.write(part, "png", to.toFile());
    }

    @Test(dependsOnGroups = "way")
    public void aFileDroppedAgainIsComparedAndBecomesTheNewerState() throws IOException {
        Path file = Files.createTempDirectory("edited").resolve(NAME + ".png");
        export(file, 5, 40);
        page.navigate(wistel.address + "/");
        page.getByTestId("chooser").setInputFiles(file);
        Locator bring = button("Bring it");
        Locator asks = page.locator(".asks");
        bring.or(asks).first().waitFor();
        if (bring.isVisible()) {
            bring.click();
        }
        assertThat(asks.getByText(Pattern.compile("Looks like a newer file"))).isVisible(within(30));
        asks.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("See what differs")).click();
        Locator compared = page.locator(".compared");
        assertThat(compared.getByText(Pattern.compile("5 px less on the left"))).isVisible(within(30));
        page.getByText("where it differs").click();
        assertThat(compared.getByAltText(Pattern.compile("^Where "))).isVisible(within(30));
        List<Locator> dockets = page.locator(".which .ant-checkbox-wrapper").all();
        String title = dockets.get(0).textContent().replaceFirst("^docket \\d+, ", "");
        dockets.stream().skip(1).forEach(Locator::click);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Newer state"))).click();
        assertThat(asks).hasCount(0);
        page.locator(".piece h3").getByText(title, new Locator.GetByTextOptions().setExact(true)).click();
        assertThat(page.locator(".docket-head")).containsText(NAME + ".png");
        page.getByLabel(Pattern.compile("^Undo: a newer file")).click();
        assertThat(page.locator(".docket-head")).containsText(NAME + ".jpg");
    }

    @Test(dependsOnGroups = "way", dependsOnMethods = "aFileDroppedAgainIsComparedAndBecomesTheNewerState")
    public void whatIsExportedToTheWatchedFolderIsTakenByItself() throws IOException {
        Path folder = Files.createDirectory(Files.createTempDirectory("edited").toRealPath().resolve("exports"));
        page.navigate(wistel.address + "/settings");
        Locator section = page.locator("section").filter(new Locator.FilterOptions().setHasText("Watched folder"));
        Locator keep = section.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Keep the folder so"));
        page.getByLabel("folder, its whole path").fill(folder.toString());
        page.getByText("are moved to a folder beside it").click();
        keep.click();
        assertThat(section).containsText("looked into every two seconds");
        export(folder.resolve("fresh-from-the-editor.png"), 900, 0);
        page.navigate(wistel.address + "/");
        assertThat(page.getByLabel("Files that came in").getByText("fresh-from-the-editor.png")).isVisible(within(40));
        page.waitForCondition(() -> Files.exists(folder.resolveSibling("exports taken").resolve("fresh-from-the-editor.png")));
        assertThat(page.getByText("Fresh from the editor").first()).isVisible(within(20));
        page.navigate(wistel.address + "/settings");
        section.getByText("watch it").click();
        keep.click();
        assertThat(section).not().containsText("looked into every two seconds");
        assertThat(folder).isEmptyDirectory();
    }
}

package wistel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.testng.ITestResult;
import org.testng.annotations.AfterClass;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.AfterSuite;
import org.testng.annotations.BeforeClass;

/** All of Wistel as a person starts it, and one browser on it, for every class that drives it. */
abstract class InBrowser {
    static Running wistel;
    static Page page;
    static Browser browser;
    private static Playwright playwright;
    static final List<String> COMPLAINTS = new ArrayList<>();

    @BeforeClass
    void open() throws Exception {
        if (wistel != null) {
            return;
        }
        wistel = new Running();
        playwright = Playwright.create();
        browser = playwright.chromium().launch(new BrowserType.LaunchOptions().setExecutablePath(Path.of("/usr/bin/chromium"))
            .setArgs(List.of("--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run", "--disable-background-networking",
                "--disable-component-update", "--disable-sync")));
        page = browser.newPage(new Browser.NewPageOptions().setViewportSize(1280, 800));
        page.setDefaultTimeout(30_000);
        // a busy machine takes its time
        PlaywrightAssertions.setDefaultAssertionTimeout(30_000);
        page.onPageError(COMPLAINTS::add);
        page.onConsoleMessage(m -> {
            if (m.type().equals("error") && !m.text().contains("status of 422")) {
                COMPLAINTS.add(m.text());
            }
        });
    }

    @AfterClass(alwaysRun = true)
    void noPageComplained() {
        assertThat(COMPLAINTS.stream().filter(c -> !c.contains("412"))).isEmpty();
    }

    @AfterSuite(alwaysRun = true)
    void close() throws Exception {
        if (playwright != null) {
            playwright.close();
        }
        if (wistel != null) {
            wistel.close();
        }
    }

    /** What was on the screen, what the attempts said and what the server logged, when a test failed. */
    @AfterMethod
    void tellWhatWasSeen(ITestResult result) throws Exception {
        if (result.getStatus() == ITestResult.FAILURE && wistel != null && page != null) {
            System.out.println("--- " + page.url() + "\n" + page.innerText("body") + "\n--- attempts\n"
                + page.evaluate("fetch('/api/attempts', { signal: AbortSignal.timeout(5000) }).then(r => r.text()).catch(String)")
                + "\n--- logs\n" + wistel.logs() + "\n--- COMPLAINTS " + COMPLAINTS);
        }
    }

    static LocatorAssertions.IsVisibleOptions within(int seconds) {
        return new LocatorAssertions.IsVisibleOptions().setTimeout(seconds * 1000.0);
    }

    /** Presses until it shows: what a printer tells just then may move the button away under the pointer. */
    static void opens(Locator pressed, Locator shown) {
        for (int times = 0; times < 5 && !shown.isVisible(); times++) {
            if (pressed.isVisible()) {
                pressed.click();
            }
            shown.page().waitForTimeout(1000);
        }
    }

    Locator button(String name) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    /** What a moving picture looks like once it rests. */
    static byte[] settled(Locator body) {
        byte[] before = body.screenshot();
        for (int i = 0; i < 20; i++) {
            page.waitForTimeout(400);
            byte[] now = body.screenshot();
            if (Arrays.equals(now, before)) {
                return now;
            }
            before = now;
        }
        return before;
    }
}

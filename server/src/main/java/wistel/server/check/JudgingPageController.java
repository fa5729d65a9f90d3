package wistel.server.check;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import javax.imageio.ImageIO;
import org.springframework.http.HttpStatus;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.icc.making.JudgingPage;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.transform.Recipe;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.TransformCompiler;
import wistel.core.pairing.PairingVersion;
import wistel.core.printer.ColourRoute;
import wistel.core.sheet.Chart;
import wistel.server.edge.Events;
import wistel.server.master.Master;
import wistel.server.pairing.PairingRepository;
import wistel.server.print.Attempt;
import wistel.server.print.AttemptState;
import wistel.server.print.ChartDockets;
import wistel.server.print.ChartSheets;

/** Pages to judge a paper by: printed as any picture is on it, their verdicts kept with the paper. */
@RestController
class JudgingPageController {
    private static final double LEAST_SHARE = 0.6;
    private static final List<String> PICTURES = List.of("/judging/night.jpg", "/judging/harbour.jpg");

    private final JudgingPageRepository printed;
    private final PairingRepository pairings;
    private final ChartDockets charts;
    private final ChartSheets sheets;
    private final Events events;
    private final Clock clock;
    private final TransactionTemplate transaction;

    JudgingPageController(JudgingPageRepository printed, PairingRepository pairings, ChartDockets charts, ChartSheets sheets,
        Events events, Clock clock, TransactionTemplate transaction) {
        this.printed = printed;
        this.pairings = pairings;
        this.charts = charts;
        this.sheets = sheets;
        this.events = events;
        this.clock = clock;
        this.transaction = transaction;
    }

    /**
     * @param version of the pairing that it was printed with
     * @param verdict empty before somebody judged it
     */
    record JudgedPage(UUID docketId, int version, Instant printed, Optional<UUID> attempt, Optional<AttemptState> state, String verdict,
        String remark) {
    }

    /** Of a pairing, the newest first. */
    @GetMapping("/api/pairings/{id}/judging-pages")
    List<JudgedPage> pages(@PathVariable UUID id) {
        return printed.of(id).stream().map(this::page).toList();
    }

    private JudgedPage page(JudgingPageRepository.Row row) {
        Optional<Attempt> attempt = sheets.attempt(row.docketId());
        return new JudgedPage(row.docketId(), row.version(), row.created(), attempt.map(Attempt::id), attempt.map(Attempt::state),
            attempt.map(Attempt::verdict).orElse(""), attempt.map(Attempt::remark).orElse(""));
    }

    /** Prints one, through the pairing's profile and its usual intent. */
    @PostMapping("/api/pairings/{id}/judging-pages")
    @ResponseStatus(HttpStatus.CREATED)
    JudgedPage print(@PathVariable UUID id) {
        PairingVersion pairing = pairings.get(id.toString());
        Master master = charts.picture("page-to-judge-by.tif", new ChartDockets.Colours(picture(), JudgingPage.WIDTH, JudgingPage.HEIGHT));
        DocketSpec docket = sheets.docket("Page to judge " + pairing.paper() + " by", master, pairing,
            new ColourRoute.ByWistel(pairing.intent(), true));
        List<String> lines = new ArrayList<>(charts.heading("Page to judge a paper by", pairing));
        lines.add("Version " + pairing.number() + ", " + pairing.intent().name().toLowerCase(Locale.ROOT));
        Chart chart = new Chart(DocketSpec.FIRST_ITEM, JudgingPage.WIDTH_MM, LEAST_SHARE, lines);
        JudgedPage made = transaction.execute(t -> {
            JudgingPageRepository.Row row = new JudgingPageRepository.Row(sheets.released(docket, chart), id, pairing.number(),
                clock.instant());
            printed.add(row);
            return page(row);
        });
        events.publish("check", id.toString());
        return made;
    }

    /** In the wide space, two pictures in it. */
    private static char[] picture() {
        Transform toWide = TransformCompiler.compile(new Recipe.FromLab(StandardSpaces.WIDE_RGB, Intent.RELATIVE));
        char[] page = toWide.apply(JudgingPage.lab());
        Transform fromSrgb = TransformCompiler.convert(StandardSpaces.SRGB, StandardSpaces.WIDE_RGB, Intent.RELATIVE, false);
        for (int nth = 0; nth < PICTURES.size(); nth++) {
            char[] picture = fromSrgb.apply(srgb(PICTURES.get(nth)));
            for (int y = 0; y < JudgingPage.PICTURE_HEIGHT; y++) {
                System.arraycopy(picture, 3 * y * JudgingPage.PICTURE_WIDTH, page,
                    3 * ((JudgingPage.PICTURE_TOP + y) * JudgingPage.WIDTH + JudgingPage.pictureLeft(nth)), 3 * JudgingPage.PICTURE_WIDTH);
            }
        }
        return page;
    }

    private static char[] srgb(String resource) {
        try (InputStream in = JudgingPageController.class.getResourceAsStream(resource)) {
            BufferedImage image = ImageIO.read(in);
            int[] rgb = image.getRGB(0, 0, JudgingPage.PICTURE_WIDTH, JudgingPage.PICTURE_HEIGHT, null, 0, JudgingPage.PICTURE_WIDTH);
            char[] codes = new char[3 * rgb.length];
            for (int i = 0; i < codes.length; i++) {
                codes[i] = (char) (257 * (rgb[i / 3] >> 16 - 8 * (i % 3) & 0xFF));
            }
            return codes;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}

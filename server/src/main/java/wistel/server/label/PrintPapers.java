package wistel.server.label;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import wistel.core.docket.PrintOrder;
import wistel.core.fault.NotFound;
import wistel.core.length.Length;
import wistel.core.rendition.Rendition;
import wistel.core.sheet.CaptionText;
import wistel.core.sheet.Item;
import wistel.core.sheet.Placed;
import wistel.core.sheet.Rect;
import wistel.server.print.Attempt;
import wistel.server.print.AttemptPieceRepository;
import wistel.server.print.AttemptRepository;
import wistel.server.proof.PrintThumbnails;
import wistel.server.setting.SettingRepository;
import wistel.server.store.Json;
import wistel.server.workbench.WorkbenchPdf;

/** What goes along with a print: a label for its back, a sheet of labels, and a page for the buyer. */
@Service
class PrintPapers {
    private static final String TEXTS = "print-texts";
    /** A label, in mm; two by five of them lie on A4. */
    private static final double LABEL_WIDTH = 85;
    private static final double LABEL_HEIGHT = 48;
    private static final int ACROSS = 2;
    private static final int DOWN = 5;
    private static final double PICTURE_MM = 26;
    private static final double BUYER_PICTURE_MM = 110;
    private static final int PIXELS = 700;

    private final AttemptRepository attempts;
    private final AttemptPieceRepository pieces;
    private final PrintThumbnails thumbnails;
    private final SettingRepository settings;
    private final Json json;

    PrintPapers(AttemptRepository attempts, AttemptPieceRepository pieces, PrintThumbnails thumbnails,
        SettingRepository settings, Json json) {
        this.attempts = attempts;
        this.pieces = pieces;
        this.thumbnails = thumbnails;
        this.settings = settings;
        this.json = json;
    }

    PrintTexts texts() {
        return settings.get(TEXTS).map(t -> json.read(t, PrintTexts.class)).orElse(PrintTexts.EMPTY);
    }

    void write(PrintTexts texts) {
        settings.put(TEXTS, json.text(texts));
    }

    /** A print of an attempt: what lies on a page, with its number where it bears one. */
    private record Print(PrintOrder order, Attempt attempt, int page, Placed placed, Optional<Integer> number) {
        Item item() {
            return order.spec().item(placed.itemId());
        }

        String title() {
            return item().title().isBlank() ? attempt.title() : item().title();
        }

        String size() {
            return Length.mm(placed.uprightWidthMm()) + " × " + Length.mm(placed.uprightHeightMm()) + " mm";
        }

        String day() {
            return CaptionText.date(attempt.finished().orElse(attempt.created()).atZone(ZoneId.systemDefault()).toLocalDate());
        }

        Optional<String> edition() {
            return number.map(n -> n + " of " + item().annotation().caption().edition());
        }
    }

    /** A document that is written: texts are read, and each picture made, once for all of its labels. */
    private record Document(WorkbenchPdf out, PrintTexts texts, Map<String, PrintThumbnails.Thumbnail> pictures) {
    }

    private Document document(WorkbenchPdf out) {
        return new Document(out, texts(), new HashMap<>());
    }

    private List<Print> prints(UUID attemptId) {
        Attempt attempt = attempts.get(attemptId);
        PrintOrder order = attempts.order(attemptId);
        Map<String, Integer> numbers = pieces.numbers(attemptId);
        List<Print> prints = new ArrayList<>();
        for (int page = 1; page <= order.layout().pages().size(); page++) {
            for (Placed placed : order.page(page).placed()) {
                if (placed.tile().isPresent() && page > 1) {
                    // all sheets are one print
                    continue;
                }
                prints.add(new Print(order, attempt, page, placed.untiled(), Optional.ofNullable(numbers.get(page + " " + placed.id()))));
            }
        }
        return prints;
    }

    /** A4 with a label for every print of an attempt. */
    byte[] labels(UUID attemptId) throws IOException {
        List<Print> prints = prints(attemptId);
        try (WorkbenchPdf out = new WorkbenchPdf("Labels, " + prints.get(0).attempt.title())) {
            Document document = document(out);
            Rect paper = out.page().from();
            double left = (paper.width() - ACROSS * LABEL_WIDTH) / 2;
            double top = (paper.height() - DOWN * LABEL_HEIGHT) / 2;
            for (int i = 0; i < prints.size(); i++) {
                int nth = i % (ACROSS * DOWN);
                if (nth == 0 && i > 0) {
                    out.newPage();
                }
                Rect at = new Rect(left + nth % ACROSS * LABEL_WIDTH, top + nth / ACROSS * LABEL_HEIGHT, LABEL_WIDTH, LABEL_HEIGHT);
                label(document, at, prints.get(i), true);
            }
            return out.bytes();
        }
    }

    /** One label on a page of its size. */
    byte[] label(UUID attemptId, int page, String placedId) throws IOException {
        Print print = print(attemptId, page, placedId);
        try (WorkbenchPdf out = new WorkbenchPdf("Label, " + print.title(), LABEL_WIDTH, LABEL_HEIGHT)) {
            label(document(out), out.page().from(), print, false);
            return out.bytes();
        }
    }

    private Print print(UUID attemptId, int page, String placedId) {
        return prints(attemptId).stream().filter(p -> p.page == page && p.placed.id().equals(placedId)).findFirst()
            .orElseThrow(() -> new NotFound("Nothing of that name lies on this page.", "Choose one of its pictures."));
    }

    private void label(Document document, Rect at, Print print, boolean framed) throws IOException {
        WorkbenchPdf out = document.out;
        WorkbenchPdf.Place place = out.page();
        if (framed) {
            out.rectangle(place, at, 1, 3);
        }
        picture(document, new Rect(at.x() + 5, at.y() + 5, PICTURE_MM, PICTURE_MM), print);
        double x = at.x() + 5 + PICTURE_MM + 4;
        float width = (float) (at.right() - 4 - x) * WorkbenchPdf.POINTS;
        double y = at.y() + 8;
        out.at(print.title(), place.x(x), place.y(y), 10, width);
        y += 5;
        for (String line : lines(print, document.texts).toList()) {
            out.at(line, place.x(x), place.y(y), 7.5f, width);
            y += 3.8;
        }
        double sign = at.bottom() - 6;
        out.line(place, new double[] {x, sign, at.right() - 5, sign});
        out.at(document.texts.name(), place.x(at.x() + 5), place.y(sign), 7, (float) PICTURE_MM * WorkbenchPdf.POINTS);
    }

    /** Below its title. */
    private static Stream<String> lines(Print print, PrintTexts texts) {
        return Stream.of(print.size(), print.attempt.paper(), texts.inks(), print.edition().orElse(""), print.day())
            .filter(s -> !s.isBlank());
    }

    /** A page that goes to whoever buys it. */
    byte[] buyersPage(UUID attemptId, int page, String placedId) throws IOException {
        Print print = print(attemptId, page, placedId);
        try (WorkbenchPdf out = new WorkbenchPdf(print.title())) {
            Document document = document(out);
            PrintTexts texts = document.texts;
            out.heading(print.title(), texts.name());
            out.skip(14);
            double side = BUYER_PICTURE_MM;
            WorkbenchPdf.Place place = out.page();
            double top = out.topMm();
            double high = picture(document, new Rect(WorkbenchPdf.MARGIN / WorkbenchPdf.POINTS, top, side, side), print);
            out.skip((float) high * WorkbenchPdf.POINTS + 18);
            for (String[] row : new String[][] {{"Size", print.size()}, {"Paper", print.attempt.paper()}, {"Inks", texts.inks()},
                {"Edition", print.edition().map(e -> "number " + e).orElse("")}, {"Printed", print.day()}}) {
                if (!row[1].isBlank()) {
                    out.text(row[0] + ":  " + row[1], 11, 0);
                }
            }
            out.skip(12);
            if (!texts.note().isBlank()) {
                out.text(texts.note(), 10.5f, 0);
            }
            out.skip(44);
            double sign = out.topMm();
            out.line(place,
                new double[] {WorkbenchPdf.MARGIN / WorkbenchPdf.POINTS, sign, WorkbenchPdf.MARGIN / WorkbenchPdf.POINTS + 70, sign});
            out.skip(4);
            out.text(Stream.of(texts.name(), texts.contact()).filter(s -> !s.isBlank()).collect(Collectors.joining(", ")), 9, 0);
            return out.bytes();
        }
    }

    /** What is printed of it, as large as a square holds, from its upper left corner: how high that is, in mm. */
    private double picture(Document document, Rect square, Print print) throws IOException {
        Rendition rendition = print.order.spec().rendition(print.placed.renditionId());
        Optional<PrintThumbnails.Thumbnail> whole = Optional.ofNullable(document.pictures.get(rendition.id()));
        if (whole.isEmpty()) {
            whole = thumbnails.of(rendition, PIXELS);
            whole.ifPresent(made -> document.pictures.put(rendition.id(), made));
        }
        if (whole.isEmpty()) {
            return 0;
        }
        BufferedImage shown = whole.get().part(print.placed.face().crop());
        double aspect = (double) shown.getWidth() / shown.getHeight();
        double w = aspect >= 1 ? square.width() : square.width() * aspect;
        document.out.image(document.out.page(), new Rect(square.x(), square.y(), w, w / aspect), PrintThumbnails.png(shown));
        return w / aspect;
    }
}

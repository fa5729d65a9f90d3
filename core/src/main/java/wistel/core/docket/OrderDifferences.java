package wistel.core.docket;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.TreeSet;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.Sharpening;
import wistel.core.docket.words.DocketPhrases;
import wistel.core.docket.words.PlanWords;
import wistel.core.printer.ColourRoute;
import wistel.core.printer.PrinterDescription;
import wistel.core.rendition.Rendition;
import wistel.core.tone.PairingToneCurve;

/** What was different between two prints, in words: "intent: perceptual, then relative colorimetric". */
public final class OrderDifferences {
    private final PrinterDescription printer;
    private final List<String> found = new ArrayList<>();

    private OrderDifferences(PrinterDescription printer) {
        this.printer = printer;
    }

    /**
     * @param printer whose words its settings are said in
     * @return empty when the two orders say the same of all that a person decides
     */
    public static List<String> between(PrintOrder earlier, PrintOrder later, PrinterDescription printer) {
        OrderDifferences differences = new OrderDifferences(printer);
        differences.paper(earlier, later);
        differences.pictures(earlier.spec(), later.spec());
        differences.way(earlier, later);
        differences.settings(earlier.spec(), later.spec());
        return List.copyOf(differences.found);
    }

    private void paper(PrintOrder a, PrintOrder b) {
        told("paper", a.pairing().paper() + " on " + DocketPhrases.printer(a.pairing()),
            b.pairing().paper() + " on " + DocketPhrases.printer(b.pairing()));
        if (a.pairing().pairingId().equals(b.pairing().pairingId()) && !a.pairing().profileHash().equals(b.pairing().profileHash())) {
            found.add("the paper's profile was another one");
        }
        told("true size", sized(a), sized(b));
        told("laid as", a.spec().plan().accept(new PlanWords(a.spec(), a.layout())).size(),
            b.spec().plan().accept(new PlanWords(b.spec(), b.layout())).size());
        told("copies", Integer.toString(a.spec().copies()), Integer.toString(b.spec().copies()));
    }

    private static String sized(PrintOrder order) {
        String words = DocketPhrases.trueSize(order.pairing().feedScale());
        return words.isEmpty() ? "as it is sent" : words;
    }

    private void pictures(DocketSpec a, DocketSpec b) {
        for (Rendition before : a.renditions()) {
            b.renditions().stream().filter(r -> r.id().equals(before.id())).findFirst().ifPresent(after -> {
                if (!before.masterHash().equals(after.masterHash())) {
                    found.add("the picture's file was another one");
                }
                told("seen", before.treatment().words(), after.treatment().words());
                told("compensation", moves(before), moves(after));
                told("locally", local(before), local(after));
            });
        }
        told("mark of your own", mark(a), mark(b));
        if (a.renditions().size() != b.renditions().size()) {
            told("pictures", Integer.toString(a.renditions().size()), Integer.toString(b.renditions().size()));
        }
    }

    private static String mark(DocketSpec d) {
        return d.items().stream().flatMap(i -> i.annotation().own().stream()).findFirst()
            .map(m -> m.art().name() + ", " + Math.round(m.widthMm()) + " mm wide").orElse("none");
    }

    private static String moves(Rendition r) {
        return r.compensation().on() ? r.compensation().words() : "without it";
    }

    private static String local(Rendition r) {
        return r.localWords().isEmpty() ? "nothing" : r.localWords();
    }

    private void way(PrintOrder a, PrintOrder b) {
        told("colour", route(a.spec().route()), route(b.spec().route()));
        told("straightened", curve(a), curve(b));
        told("sharpening", sharpening(a.spec().sharpening()), sharpening(b.spec().sharpening()));
        told("pixels an inch", inch(a), inch(b));
    }

    private static String inch(PrintOrder order) {
        return Long.toString(Math.round(order.output().dpi()));
    }

    private static String curve(PrintOrder order) {
        return order.curve().map(PairingToneCurve::wedge).map(wedge -> "by wedge " + wedge).orElse("by nothing");
    }

    private static String sharpening(Sharpening sharpening) {
        return sharpening.name().toLowerCase(Locale.ROOT);
    }

    private static String route(ColourRoute route) {
        if (route instanceof ColourRoute.ByWistel by) {
            return DocketPhrases.intent(by.intent()) + (by.compensatesBlack() ? ", black compensated" : ", black as it falls");
        }
        return route instanceof ColourRoute.DriverMonochrome ? "the driver's monochrome"
            : "converted by the driver, from " + DocketPhrases.space(((ColourRoute.ByDriver) route).space());
    }

    private void settings(DocketSpec a, DocketSpec b) {
        TreeSet<String> names = new TreeSet<>(a.settings().values().keySet());
        names.addAll(b.settings().values().keySet());
        names.forEach(name -> told(printer.word(name), value(name, a), value(name, b)));
    }

    private String value(String name, DocketSpec d) {
        return d.settings().get(name).filter(v -> !v.isEmpty()).map(v -> printer.word(name, v)).orElse("left to the printer");
    }

    private void told(String what, String before, String after) {
        if (!Objects.equals(before, after)) {
            found.add(what + ": " + before + ", then " + after);
        }
    }
}

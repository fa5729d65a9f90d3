package wistel.core.docket.words;

import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import wistel.core.docket.costs.Costs;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.docket.spec.Sharpening;
import wistel.core.length.Length;
import wistel.core.paper.Stock;
import wistel.core.printer.ColourRoute;
import wistel.core.printer.DriverSettings;
import wistel.core.rendition.Rendition;
import wistel.core.sheet.Layout;

/** The one plain sentence that says what happens if the docket is printed now. */
public final class Readback {
    private Readback() {
    }

    public static String of(DocketSpec d, PreflightFacts facts, Layout layout) {
        if (facts.pairing().isEmpty()) {
            return "nothing yet: choose a paper, and this line says what will come out.";
        }
        StringBuilder out = new StringBuilder();
        int sheets = layout.pages().size() * d.copiesByPrinter();
        out.append(paper(d, layout, sheets)).append(" of ").append(facts.pairing().get().paper()).append(" from ")
            .append(facts.described().feed(d.settings().feed()));
        out.append(d.plan().accept(new PlanWords(d, layout)).lies());
        String trueSize = DocketPhrases.trueSize(facts.pairing().get().feedScale());
        out.append(trueSize.isEmpty() ? "" : ", " + trueSize);
        out.append(layout.pages().get(0).patches().isEmpty() ? "" : ", a control strip beside it");
        out.append(d.heading().light().map(l -> ", for " + l.words()).orElse(""));
        String treated = d.renditions().stream().map(r -> rendition(r, d, facts)).filter(w -> !w.isEmpty()).distinct()
            .collect(Collectors.joining("; "));
        if (!treated.isEmpty()) {
            out.append("; ").append(treated);
        }
        if (d.sharpening() != Sharpening.OFF) {
            out.append("; ").append(d.sharpening().name().toLowerCase(Locale.ROOT)).append(" sharpening");
        }
        out.append("; ").append(d.route() instanceof ColourRoute.ByWistel by
            ? "Wistel converts the colour (" + DocketPhrases.intent(by.intent())
                + (facts.compensatesBlack(by) ? " with black point compensation" : "")
                + "), the driver leaves it alone" + otherType(d, facts)
            : d.route() instanceof ColourRoute.DriverMonochrome
                ? "the driver's monochrome" + darkness(d, facts)
                    + (facts.pairing().get().grayOnly() ? " from gray that Wistel makes for this paper"
                        : " from gray; Wistel converts no colour")
                : "the driver converts the colour its own way, from " + DocketPhrases.space(((ColourRoute.ByDriver) d.route()).space()));
        out.append("; ").append(facts.described().quality(d.settings().quality())).append(" quality");
        double seconds = Costs.seconds(d, facts, layout);
        if (seconds > 0) {
            out.append("; about ").append(DocketPhrases.duration(seconds))
                .append(Costs.changesBlack(d, facts) ? " with the change of black ink" : "");
        }
        return out.append('.').toString();
    }

    private static String otherType(DocketSpec d, PreflightFacts facts) {
        String made = facts.pairing().orElseThrow().settings().mediaType();
        return d.settings().mediaType().equals(made) ? ""
            : " but lays down ink for " + facts.described().type(d.settings().mediaType()) + " instead of " + facts.described().type(made);
    }

    private static String darkness(DocketSpec d, PreflightFacts facts) {
        return d.settings().get(DriverSettings.DARKNESS).map(v -> " at darkness " + facts.described().word(DriverSettings.DARKNESS, v))
            .orElse("");
    }

    /** The driver's monochrome knows nothing of a toning. */
    private static String rendition(Rendition r, DocketSpec d, PreflightFacts facts) {
        String straightened = d.inForce(r, facts.pictures().get(r.id()).channels(), facts.curve(d))
            .map(k -> "straightened by wedge " + k.wedge()).orElse("");
        return Stream.of(treated(r, d.route()), r.localWords().isEmpty() ? "" : "locally: " + r.localWords(), straightened)
            .filter(w -> !w.isEmpty()).collect(Collectors.joining(", "));
    }

    private static String treated(Rendition r, ColourRoute route) {
        String treatment = r.treatment().changesNothing() ? ""
            : route instanceof ColourRoute.DriverMonochrome ? "monochrome" : r.treatment().words();
        String moved = r.compensation().inForceWords();
        String compensated = moved.isEmpty() ? ""
            : r.compensation().kept().isPresent() ? "compensated by " + moved : "compensated: " + moved;
        return treatment.isEmpty() || compensated.isEmpty() ? treatment + compensated : treatment + ", " + compensated;
    }

    private static String paper(DocketSpec d, Layout layout, int sheets) {
        if (d.stock() instanceof Stock.Roll) {
            String length = Length.mm(layout.pages().get(0).fedHeightMm()) + " mm";
            return (sheets == 1 ? length : sheets + " times " + length) + " of the " + d.stock().name();
        }
        return sheets == 1 ? article(d.stock().name()) : sheets + " " + d.stock().name() + " sheets";
    }

    private static String article(String sheet) {
        return ("AEIO".indexOf(sheet.charAt(0)) >= 0 ? "an " : "a ") + sheet + " sheet";
    }
}

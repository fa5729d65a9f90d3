package wistel.core.docket.costs;

import java.util.Optional;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.paper.Stock;
import wistel.core.printer.Consumption;
import wistel.core.printer.MediaRow;
import wistel.core.sheet.Layout;
import wistel.core.sheet.Page;

/**
 * What printing a docket takes, all of its pages and copies.
 *
 * @param seconds      printing alone, with what the printer does before it
 * @param sheets       of paper, or lengths cut from the roll
 * @param rollMm       of the roll; 0 for sheets
 * @param rollLeftMm   on the loaded roll afterwards; empty where none of this kind is loaded
 */
public record Costs(Estimate seconds, Estimate inkMl, int sheets, double rollMm, Optional<Double> rollLeftMm) {
    /** Without prints to learn from, the printer's own figures are as sure as this. */
    private static final double OF_THE_PRINTER = 0.35;
    private static final int HARDLY_LEARNED = 3;

    /** Where a figure comes from: from nowhere, from the printer, or from prints like this one. */
    public enum Basis { NONE, PRINTER, PAST }

    /**
     * @param giveOrTake one standard deviation
     * @param prints     that it was learned from
     */
    public record Estimate(double value, double giveOrTake, Basis basis, int prints) {
        static final Estimate UNKNOWN = new Estimate(0, 0, Basis.NONE, 0);

        /** Of few prints not more is believed than they can teach. */
        private static Estimate learned(double value, double spread, int prints) {
            return new Estimate(value, prints < HARDLY_LEARNED ? Math.max(spread, 0.15 * value) : spread, Basis.PAST, prints);
        }
    }

    /**
     * What past prints on a pairing teach.
     *
     * @param prints       pages with a known time
     * @param secondsPerM2 their mean, and its standard deviation from page to page
     * @param inked        pages with a known ink
     * @param mlPerCover   ink of a square metre that one ink covers wholly, and its standard deviation
     */
    public record Past(int prints, double secondsPerM2, double secondsSpread, int inked, double mlPerCover, double mlSpread) {
        public static final Past NONE = new Past(0, 0, 0, 0, 0, 0);
    }

    /** @param coverage of the pages, one ink over all of a page being 1 */
    public static Costs of(DocketSpec d, PreflightFacts facts, Layout layout, double coverage, Past past) {
        double m2 = layout.pages().stream().mapToDouble(Page::areaMm2).sum() / 1e6 * d.copiesByPrinter();
        Optional<Consumption> own = facts.described().consumption(d.settings().quality());
        double before = blackChange(d, facts);
        Estimate seconds = past.prints > 0 ? Estimate.learned(past.secondsPerM2 * m2 + before, past.secondsSpread * m2, past.prints)
            : own.map(c -> new Estimate(c.secondsPerM2() * m2 + before, OF_THE_PRINTER * c.secondsPerM2() * m2, Basis.PRINTER, 0))
                .orElse(Estimate.UNKNOWN);
        Estimate ink = past.inked > 0 ? Estimate.learned(past.mlPerCover * coverage * m2, past.mlSpread * coverage * m2, past.inked)
            : own.filter(c -> c.inkMlPerM2() > 0)
                .map(c -> new Estimate(c.inkMlPerM2() * coverage * m2, OF_THE_PRINTER * c.inkMlPerM2() * coverage * m2, Basis.PRINTER, 0))
                .orElse(Estimate.UNKNOWN);
        double roll = d.stock() instanceof Stock.Roll ? layout.usedLengthMm() * d.copiesByPrinter() : 0;
        return new Costs(seconds, ink, layout.pages().size() * d.copiesByPrinter(), roll,
            roll == 0 ? Optional.empty() : left(d, facts).map(l -> l - roll));
    }

    /** Laying all pages and copies down, as past prints took or else as the printer says; 0 when nothing is known of it. */
    public static double laying(DocketSpec d, PreflightFacts facts, Layout layout) {
        double perM2 = facts.secondsPerM2() > 0 ? facts.secondsPerM2()
            : facts.described().consumption(d.settings().quality()).map(Consumption::secondsPerM2).orElse(0.0);
        return perM2 * d.copiesByPrinter() * layout.pages().stream().mapToDouble(Page::areaMm2).sum() / 1e6;
    }

    /**
     * The same with a change of black ink before it, where one is needed now: {@code seconds} of {@link #of} without its spread, as the
     * facts have the mean of the same prints.
     */
    public static double seconds(DocketSpec d, PreflightFacts facts, Layout layout) {
        double laying = laying(d, facts, layout);
        return laying == 0 ? 0 : laying + blackChange(d, facts);
    }

    private static Optional<Double> left(DocketSpec d, PreflightFacts facts) {
        return facts.state().loaded().stream().filter(MediaRow::roll)
            .filter(l -> l.type().equals(d.settings().mediaType()) && l.widthMm().holds(d.stock().widthMm())).map(l -> l.lengthMm().to())
            .findFirst();
    }

    private static double blackChange(DocketSpec d, PreflightFacts facts) {
        return changesBlack(d, facts) ? facts.described().blackChange().map(b -> b.seconds()).orElse(0.0) : 0;
    }

    /** The printer holds another black than this docket is printed with. */
    public static boolean changesBlack(DocketSpec d, PreflightFacts facts) {
        String wanted = facts.wantedBlack(d);
        return !wanted.isEmpty() && !facts.state().blackInk().isEmpty() && !wanted.equals(facts.state().blackInk());
    }
}

package wistel.core.docket;

import java.util.ArrayList;
import java.util.List;
import wistel.core.docket.Finding.Severity;
import wistel.core.docket.Finding.Station;
import wistel.core.docket.StageStatus.Mark;
import wistel.core.length.Length;
import wistel.core.paper.Pairing;
import wistel.core.printer.Keywords;
import wistel.core.sheet.Placement;

/** The six stations of a docket, each with its one-line outcome and its mark. */
public final class Track {
    private Track() {
    }

    public static List<StageStatus> of(DocketSpec d, PreflightFacts s, List<Finding> findings) {
        Placement p = Preflight.place(d, s);
        boolean paired = s.pairing().isPresent();
        List<StageStatus> stages = new ArrayList<>();
        String colour = s.channels() == 1 ? "monochrome" : "colour";
        String space = s.hasProfile() || d.picture().profileTaken() ? s.sourceName() : "its profile is missing";
        stages.add(status(Station.PICTURE, colour + ", " + space, findings, true));
        stages.add(status(Station.PAPER, s.pairing().map(Pairing::paper).orElse("not chosen yet"), findings, paired));
        stages.add(status(Station.SIZE, Length.mm(p.width()) + " × " + Length.mm(p.height()) + " mm on " + d.size().sheet() + ", " + Math.round(p.ppi())
            + " ppi", findings, paired));
        stages.add(status(Station.PROOF, d.proof().looked() ? intent(d) : "not looked at yet", findings, d.proof().looked()));
        stages.add(status(Station.MACHINE, paired ? Keywords.words(d.machine().mediaType()) + ", " + Keywords.quality(d.machine().quality()) + ", "
            + Keywords.feed(d.machine().feed()).replaceFirst("^the ", "") : "waits for a paper", findings, paired));
        long stopsIt = findings.stream().filter(f -> f.severity() == Severity.STOP).count();
        long look = findings.stream().filter(f -> f.severity() == Severity.LOOK).count();
        String release = stopsIt > 0 ? things(stopsIt) + " it" : look > 0 ? look + (look == 1 ? " thing to look at" : " things to look at") : "nothing stops it";
        stages.add(new StageStatus(Station.RELEASE, release, stopsIt > 0 ? Mark.BLOCKED : look > 0 ? Mark.LOOK : Mark.SETTLED));
        return stages;
    }

    private static String things(long count) {
        return count == 1 ? "one thing stops" : count + " things stop";
    }

    private static StageStatus status(Station station, String outcome, List<Finding> findings, boolean settled) {
        boolean stops = findings.stream().anyMatch(f -> f.station() == station && f.severity() == Severity.STOP);
        boolean look = findings.stream().anyMatch(f -> f.station() == station && f.severity() == Severity.LOOK);
        return new StageStatus(station, outcome, stops ? Mark.BLOCKED : look ? Mark.LOOK : settled ? Mark.SETTLED : Mark.OPEN);
    }

    private static String intent(DocketSpec d) {
        String name = switch (d.proof().intent()) {
            case PERCEPTUAL -> "perceptual";
            case RELATIVE -> "relative";
            case SATURATION -> "saturation";
            case ABSOLUTE -> "absolute";
        };
        return d.proof().compensatesBlack() ? name + ", black compensated" : name;
    }
}

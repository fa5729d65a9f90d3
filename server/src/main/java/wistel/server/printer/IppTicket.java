package wistel.server.printer;

import static wistel.server.printer.IppValues.keywords;
import static wistel.server.printer.IppValues.value;
import com.hp.jipp.encoding.Attribute;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import wistel.core.length.Margins;
import wistel.core.printer.Conflict;
import wistel.core.printer.DriverSettings;
import wistel.core.printer.JobRequest;
import wistel.core.printer.Keywords;
import wistel.core.printer.PrinterDescription;
import wistel.core.printer.ValueSet;

/**
 * What is asked of the printer besides the document.
 *
 * @param asked    settings and paper
 * @param known    syntaxes of settings; those that the printer doesn't know are left out
 */
public record IppTicket(String jobName, JobRequest asked, Map<String, ValueSet> known, Margins margins, int copies, double overMm) {
    /** What a job says that it took against what was asked for; what it doesn't say is taken as asked. */
    List<String> substituted(IppJob job) {
        Map<String, String> wanted = new LinkedHashMap<>(asked.settings());
        wanted.put("copies", Integer.toString(copies));
        wanted.put("x-dimension", Integer.toString(hundredths(asked.widthMm())));
        wanted.put("y-dimension", Integer.toString(hundredths(asked.lengthMm())));
        return wanted.entrySet().stream()
            .filter(e -> !e.getValue().isEmpty() && job.took().containsKey(e.getKey()) && !job.took().get(e.getKey()).equals(e.getValue()))
            .map(e -> Keywords.words(e.getKey()) + " " + Keywords.words(job.took().get(e.getKey())) + " instead of "
                + Keywords.words(e.getValue()))
            .toList();
    }

    /** Settings and paper as IPP has them. */
    List<Attribute<?>> attributes() {
        List<Attribute<?>> media = new ArrayList<>();
        media.add(IppValues.collection("media-size", List.of(IppValues.ints("x-dimension", hundredths(asked.widthMm())),
            IppValues.ints("y-dimension", hundredths(asked.lengthMm())))));
        for (String name : List.of(DriverSettings.MEDIA_TYPE, DriverSettings.FEED)) {
            if (!asked.get(name).isEmpty()) {
                media.add(keywords(name, asked.get(name)));
            }
        }
        if (asked.thicknessMm() > 0 && known.containsKey(Conflict.THICKNESS)) {
            media.add(IppValues.ints(Conflict.THICKNESS, hundredths(asked.thicknessMm())));
        }
        media.add(IppValues.ints("media-top-margin", hundredths(margins.top())));
        media.add(IppValues.ints("media-bottom-margin", hundredths(margins.bottom())));
        media.add(IppValues.ints("media-left-margin", hundredths(margins.left())));
        media.add(IppValues.ints("media-right-margin", hundredths(margins.right())));
        List<Attribute<?>> job = new ArrayList<>(List.of(IppValues.collection("media-col", media), IppValues.ints("copies", copies),
            keywords("print-scaling", "none"), keywords("sides", "one-sided")));
        asked.settings().forEach((name, value) -> {
            ValueSet offered = known.get(name);
            if (offered != null && !value.isEmpty() && !name.startsWith("media-")) {
                IppValues.setting(name, value, offered.syntax()).ifPresent(job::add);
            } else if (offered == null && name.equals(DriverSettings.QUALITY)) {
                job.add(IppValues.enums(name, Integer.parseInt(value)));
            }
        });
        if (overMm > 0 && known.containsKey(PrinterDescription.OVER_EDGE)) {
            job.add(IppValues.ints(PrinterDescription.OVER_EDGE, hundredths(overMm)));
        }
        return job;
    }

    private static int hundredths(double mm) {
        return (int) Math.round(mm * 100);
    }
}

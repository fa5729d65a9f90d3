package wistel.server.printer;

import static wistel.server.printer.IppValues.first;
import static wistel.server.printer.IppValues.member;
import static wistel.server.printer.IppValues.value;
import com.hp.jipp.encoding.Attribute;
import com.hp.jipp.encoding.AttributeCollection;
import com.hp.jipp.encoding.AttributeGroup;
import com.hp.jipp.model.JobState;
import java.net.URI;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wistel.core.fault.PrinterException;
import wistel.core.printer.DriverSettings;

/**
 * A job as the printer sees it: state codes of RFC 8011, 5.3.7; percent below 0 when it doesn't say; whether it was ever at work on it;
 * ink that went into it, 0 when it doesn't say; what it took of the settings, as far as it says.
 */
public record IppJob(int id, String name, int state, List<String> reasons, int percent, boolean begun, Optional<URI> scan,
    Readers readers, double inkMl, Map<String, String> took) {
    public boolean over() {
        return state >= JobState.Code.canceled;
    }

    public boolean completed() {
        return state == JobState.Code.completed;
    }

    /** It is at work on it, or was and waits for something. */
    public boolean processing() {
        return state == JobState.Code.processing || state == JobState.Code.processingStopped;
    }

    public boolean stopped() {
        return state == JobState.Code.processingStopped;
    }

    public boolean lacksDocument() {
        return reasons.contains("job-incoming") || reasons.contains("job-data-insufficient");
    }

    /** Where its sheet can be read: by an instrument that takes spots, and as a flatbed sees it. */
    public record Readers(Optional<URI> instrument, Optional<URI> flatbed) {
    }

    /** @throws PrinterException when the printer said nothing of the job */
    static IppJob of(AttributeGroup job) {
        if (job == null) {
            throw new PrinterException(PrinterException.Reason.UNCLEAR, "The printer said nothing of the job.",
                "Wistel asks again by itself.");
        }
        return new IppJob(value(job, "job-id").map(IppValues::number).orElse(0), first(job, "job-name"),
            value(job, "job-state").map(IppValues::number).orElse(JobState.Code.processing),
            IppValues.strings(job, "job-state-reasons"), value(job, "wistel-percent-laid-down").map(IppValues::number).orElse(-1),
            value(job, "time-at-processing").map(IppValues::number).orElse(0) > 0,
            address(job, "wistel-scan-uri"), new Readers(address(job, "wistel-instrument-uri"), address(job, "wistel-flatbed-uri")),
            Math.max(0, value(job, "wistel-ink-microlitres").map(IppValues::number).orElse(0)) / 1000.0, took(job));
    }

    private static Optional<URI> address(AttributeGroup job, String name) {
        return Optional.of(first(job, name)).filter(u -> !u.isEmpty()).flatMap(IppJob::address);
    }

    static Optional<URI> address(String text) {
        try {
            return Optional.of(URI.create(text));
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    private static Map<String, String> took(AttributeGroup job) {
        Map<String, String> took = new HashMap<>();
        for (Attribute<?> a : job) {
            if (!a.isEmpty() && !a.getName().startsWith("job-") && !a.getName().equals("media-col")) {
                IppValues.setting(a.get(0)).ifPresent(v -> took.put(a.getName(), v));
            }
        }
        IppValues.collections(job, "media-col").stream().findFirst().ifPresent(media -> {
            for (String name : List.of(DriverSettings.MEDIA_TYPE, DriverSettings.FEED)) {
                member(media, name).map(IppValues::plain).ifPresent(v -> took.put(name, v));
            }
            member(media, "media-size").filter(AttributeCollection.class::isInstance).map(AttributeCollection.class::cast)
                .ifPresent(size -> {
                    for (String name : List.of("x-dimension", "y-dimension")) {
                        member(size, name).flatMap(IppValues::whole).ifPresent(v -> took.put(name, Integer.toString(v)));
                    }
                });
        });
        return took;
    }
}

package wistel.core.docket.findings;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import wistel.core.docket.changes.Command;
import wistel.core.docket.changes.MachineCommand;
import wistel.core.printer.DriverSettings;

/**
 * One thing that is wrong or doubtful, with what it would do to the print and how to mend it.
 *
 * @param stage    where it is decided
 * @param subjects what it is said of: one, or several of which the same is to be said
 * @param what     what is so
 * @param effect   what it does to the print
 * @param fixes    ways out; may be empty
 */
public record Finding(Code code, Severity severity, Stage stage, List<Subject> subjects, String what, String effect, List<Fix> fixes) {
    /** STOP keeps the docket from being printed; LOOK wants a person's eye; NOTE is for information. */
    public enum Severity {
        STOP, LOOK, NOTE
    }

    /** What is wrong, by the concern that finds it. */
    public enum Code {
        // pictures
        PROFILE_MISSING, MIX_WITHOUT_HUES,
        // paper and printer
        PAIRING_MISSING, PRINTER_UNKNOWN, PRINTER_AWAY,
        // what lies where
        PIECE_TOO_LARGE, NO_ROOM, PIECES_OVERLAP, LARGER_THAN_SHEET, ON_UNPRINTABLE_EDGE, CROPPED, CAPTION_CUT, STRIP_LEFT_OUT,
        // over several sheets
        TOO_MANY_SHEETS, NOTHING_BESIDE_OVERLAP, ONE_SHEET_HOLDS_IT, LITTLE_TO_GLUE,
        // round a body
        WRAP_TOO_LARGE, WRAP_ON_UNPRINTABLE_EDGE, TURN_OVER_SMALL, DETAIL_NEAR_FOLD, NOT_ON_FACE, BARS_WANT_CANVAS, BOARD_WANTS_THIN_PAPER,
        STRETCH_UNKNOWN,
        CUTTER_AND_CANVAS, DRY_BEFORE_STRETCHING,
        // pixels
        FEW_PIXELS, PIXELS_DISCARDED, PIXELS_INVENTED, PIXELS_AVERAGED,
        // proof
        PROOF_NOT_LOOKED_AT, MADE_FOR_OTHER_LIGHT,
        // what the printer is set to
        MEDIA_TYPE_DIFFERS, QUALITY_DIFFERS, BLACK_DIFFERS, SETTING_GONE, SETTINGS_EXCLUDE, TOO_THICK, FEED_NOT_FOR_MEDIA, ENDS_NOT_OFFERED,
        SHEET_NOT_FOR_FEED, LENGTH_OUT_OF_RANGE,
        // the way of the colour
        GRAY_PROFILE, DRIVER_CONVERTS, NO_MONOCHROME, MONOCHROME_UNMEASURED, COLOUR_DROPPED, NO_DEVICE_SPACE, NOBODY_CONVERTS, NO_RASTER,
        EIGHT_BITS,
        // tones
        WEDGE_OLD, CURVE_OFF, WEDGE_OF_OTHER_BLACK, NO_WEDGE,
        // what lies in the printer, and how paper behaves
        OTHER_PAPER_LOADED, SUPPLY_LOW, ENDS_WAIVED, ROLL_ENDS_SHORT, ROLL_TOO_SHORT, LENGTH_HANGS, BLACK_CHANGES
    }

    /** What something is said of. */
    public sealed interface Subject {
        record WholeDocket() implements Subject {
        }

        record OfPicture(String renditionId) implements Subject {
        }

        record OfPiece(String itemId) implements Subject {
        }

        /** @param page 1 for the first */
        record OnPage(int page) implements Subject {
        }
    }

    public record Fix(String label, Command change) {
        static Fix uncut() {
            return new Fix("Leave it uncut", new MachineCommand.Set(DriverSettings.FINISHING, DriverSettings.NO_FINISHING));
        }
    }

    public Finding {
        subjects = List.copyOf(subjects);
        fixes = List.copyOf(fixes);
    }

    /** What makes several findings one. */
    private record Said(Code code, Severity severity, Stage stage, String what, String effect) {
    }

    /** Those of which the same is said are one, of several subjects; what mends each of them is done together. */
    static List<Finding> merged(Stream<Finding> all) {
        Map<Said, Finding> merged = new LinkedHashMap<>();
        all.forEach(f -> merged.merge(new Said(f.code, f.severity, f.stage, f.what, f.effect), f, Finding::and));
        return List.copyOf(merged.values());
    }

    private Finding and(Finding other) {
        Set<Subject> both = new LinkedHashSet<>(subjects);
        both.addAll(other.subjects);
        Map<String, Set<Command>> changes = new LinkedHashMap<>();
        Stream.concat(fixes.stream(), other.fixes.stream())
            .forEach(m -> changes.computeIfAbsent(m.label, k -> new LinkedHashSet<>()).addAll(Command.parts(m.change)));
        return new Finding(code, severity, stage, new ArrayList<>(both), what, effect,
            changes.entrySet().stream().map(e -> new Fix(e.getKey(), Command.of(new ArrayList<>(e.getValue())))).toList());
    }

    Finding of(Subject subject) {
        return new Finding(code, severity, stage, List.of(subject), what, effect, fixes);
    }

    static Finding stop(Stage stage, Code code, String what, String effect, Fix... fixes) {
        return whole(code, Severity.STOP, stage, what, effect, fixes);
    }

    static Finding look(Stage stage, Code code, String what, String effect, Fix... fixes) {
        return whole(code, Severity.LOOK, stage, what, effect, fixes);
    }

    static Finding note(Stage stage, Code code, String what, String effect, Fix... fixes) {
        return whole(code, Severity.NOTE, stage, what, effect, fixes);
    }

    private static Finding whole(Code code, Severity severity, Stage stage, String what, String effect, Fix... fixes) {
        return new Finding(code, severity, stage, List.of(new Subject.WholeDocket()), what, effect, List.of(fixes));
    }
}

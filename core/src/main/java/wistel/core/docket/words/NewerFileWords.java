package wistel.core.docket.words;

import java.util.ArrayList;
import java.util.List;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.pictures.SameContent;
import wistel.core.pictures.SideFill;
import wistel.core.rendition.LocalMove;
import wistel.core.rendition.Rendition;
import wistel.core.rendition.Treatment;
import wistel.core.sheet.Frame;
import wistel.core.sheet.Item;
import wistel.core.sheet.Plans;

/** What is said when a newer file of a picture on a docket is there: how the files differ, and what of the decisions can't follow. */
public final class NewerFileWords {
    /** Pixels of the newer file by which a crop may lie elsewhere before it is told. */
    private static final double UNSEEN = 2;

    private NewerFileWords() {
    }

    /** @param profile its name; blank for the one that is assumed */
    public record FileFacts(SameContent.Size size, int bits, int channels, String profile) {
    }

    /** In short sentences; empty where the files say the same of themselves. */
    public static List<String> differences(FileFacts older, FileFacts newer, SameContent content) {
        List<String> told = new ArrayList<>();
        if (!older.size.equals(newer.size)) {
            told.add("Size: " + size(older) + ", now " + size(newer) + " pixels.");
        }
        if (older.bits != newer.bits) {
            told.add("Depth: " + older.bits + " bit, now " + newer.bits + ".");
        }
        if (older.channels != newer.channels) {
            told.add(newer.channels == 1 ? "It was in colour and is in gray now." : "It was in gray and is in colour now.");
        }
        if (!older.profile.equals(newer.profile)) {
            told.add("Profile: " + named(older) + ", now " + named(newer) + ".");
        }
        if (content.alike() && content.followed() && !content.sameFrame()) {
            told.add("Its frame: " + frame(content) + ".");
        }
        return told;
    }

    private static String size(FileFacts file) {
        return file.size.width() + " × " + file.size.height();
    }

    private static String named(FileFacts file) {
        return file.profile.isBlank() ? "none in the file" : file.profile;
    }

    private static String frame(SameContent c) {
        List<String> sides = new ArrayList<>();
        side(sides, "on the left", c.dx());
        side(sides, "above", c.dy());
        side(sides, "on the right", c.newer().width() - c.dx() - c.scale() * c.older().width());
        side(sides, "below", c.newer().height() - c.dy() - c.scale() * c.older().height());
        return sides.isEmpty() ? "as it was, to parts of a pixel" : String.join(", ", sides);
    }

    private static void side(List<String> sides, String where, double more) {
        long pixels = Math.round(Math.abs(more));
        if (pixels > 0) {
            sides.add(pixels + " px " + (more > 0 ? "more " : "less ") + where);
        }
    }

    /**
     * Where content lies for the decisions to follow: as it was found; where it wasn't, frame on frame.
     */
    public static SameContent followed(SameContent found) {
        return found.alike() && found.followed() ? found : SameContent.framed(found.older(), found.newer(), found.likeness());
    }

    /** What of a docket's decisions can't stay as it was, in sentences; empty where all can. */
    public static List<String> left(DocketSpec d, String renditionId, SameContent found, FileFacts older, FileFacts newer) {
        List<String> told = new ArrayList<>();
        Rendition r = d.rendition(renditionId);
        SameContent content = followed(found);
        List<Item> pieces = d.items().stream().filter(i -> i.renditionId().equals(renditionId)).toList();
        boolean placed = pieces.stream().anyMatch(i -> !i.cut().whole())
            || r.local().stream().anyMatch(m -> !(m instanceof LocalMove.Edges));
        if (!found.alike()) {
            told.add("It doesn't look like the same picture." + (placed ? " Its crop and places stay where they were in the frame." : ""));
        } else if (!found.followed() && placed) {
            told.add("Where its content lies can't be told: it was turned or bent as well, or shows too little. "
                + "Its crop and places stay where they were in the frame.");
        }
        double off = pieces.stream().mapToDouble(i -> i.cut().off(content)).max().orElse(0);
        if (off > UNSEEN) {
            told.add("Its crop reached " + Math.round(off) + " px beyond what the newer file shows: it is moved or made smaller by that.");
        }
        boolean shaped = !Frame.sameShape(older.size.aspect(), newer.size.aspect());
        if (shaped && pieces.stream().anyMatch(i -> i.cut().whole() && i.frame().fit() == Frame.Fit.WHOLE)) {
            told.add("It has another shape: it doesn't fill the size that was chosen.");
        }
        if (newer.channels == 1 && older.channels != 1 && r.treatment() instanceof Treatment.Monochrome) {
            told.add("It has no colours left for the mix by hue to act on.");
        }
        if (newer.channels != older.channels && Plans.wrap(d.plan()).map(w -> w.fill() instanceof SideFill.OneColour).orElse(false)) {
            told.add("The colour of its sides is picked anew.");
        }
        return told;
    }
}

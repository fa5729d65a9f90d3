package wistel.core.printer;

import java.util.List;

/**
 * What a printer is doing just now.
 *
 * @param reason in words, what it waits for; empty when it waits for nothing
 * @param loaded what lies in the feeds
 * @param supplies inks and what else runs out; empty when it tells of none
 * @param blackInk the one that it is set up for; empty when it doesn't say
 */
public record PrinterState(Doing doing, String reason, List<MediaRow> loaded, List<Supply> supplies, String blackInk) {
    public enum Doing { IDLE, PRINTING, STOPPED, AWAY }

    public static final PrinterState AWAY = new PrinterState(Doing.AWAY, "", List.of(), List.of(), "");

    public PrinterState {
        loaded = List.copyOf(loaded);
        supplies = List.copyOf(supplies);
    }

    public boolean away() {
        return doing == Doing.AWAY;
    }
}

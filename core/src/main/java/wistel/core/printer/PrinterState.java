package wistel.core.printer;

import java.util.List;

/**
 * What a printer is doing just now.
 *
 * @param reason in words, what it waits for; empty when it waits for nothing
 * @param loaded what lies in the feeds
 */
public record PrinterState(Doing doing, String reason, List<MediaRow> loaded) {
    public enum Doing { IDLE, PRINTING, STOPPED, AWAY }

    public static final PrinterState AWAY = new PrinterState(Doing.AWAY, "", List.of());

    public PrinterState {
        loaded = List.copyOf(loaded);
    }

    public boolean away() {
        return doing == Doing.AWAY;
    }
}

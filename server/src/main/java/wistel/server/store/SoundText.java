package wistel.server.store;

import wistel.core.fault.InvalidRequest;

/** Text that a database keeps and a page shows: whole characters, no zero byte. */
public final class SoundText {
    private SoundText() {
    }

    /** @throws InvalidRequest when it isn't */
    public static String of(String text) {
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c == 0) {
                throw new InvalidRequest(InvalidRequest.Reason.TEXT_OUT_OF_RANGE, "A zero byte is no text.", "Leave it out.");
            }
            if (Character.isHighSurrogate(c) && i + 1 < text.length() && Character.isLowSurrogate(text.charAt(i + 1))) {
                i++;
            } else if (Character.isSurrogate(c)) {
                throw new InvalidRequest(InvalidRequest.Reason.TEXT_OUT_OF_RANGE, "Half a character is no text.", "Type it again.");
            }
        }
        return text;
    }
}

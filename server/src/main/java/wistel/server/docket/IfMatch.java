package wistel.server.docket;

import wistel.core.fault.InvalidRequest;

/** The header that names the docket's version on which something was decided, as an entity tag (RFC 9110, 13.1.1). */
public final class IfMatch {
    private IfMatch() {
    }

    /** @throws InvalidRequest when it holds no version */
    public static int version(String header) {
        try {
            return Integer.parseInt(header.replace("W/", "").replace("\"", "").trim());
        } catch (NumberFormatException e) {
            throw new InvalidRequest(InvalidRequest.Reason.VERSION_UNCLEAR, "If-Match must carry the docket's version.",
                "Read the docket first.");
        }
    }
}

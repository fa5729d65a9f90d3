package wistel.core.docket.spec;

import wistel.core.fault.InvalidRequest;

/**
 * A print-ready file for somebody else's printer.
 *
 * @param quality of a JPEG, 1 to 100
 * @param space   whose colour its numbers are
 * @param sheet   the whole sheet with borders and what stands in them; else the picture alone, with its bleed where it has one
 */
public record LabFile(Format format, int quality, Space space, boolean sheet) {
    public enum Format {
        TIFF("tif", "image/tiff"), JPEG("jpg", "image/jpeg"), PDF("pdf", "application/pdf");

        private final String suffix;
        private final String mediaType;

        Format(String suffix, String mediaType) {
            this.suffix = suffix;
            this.mediaType = mediaType;
        }

        public String suffix() {
            return suffix;
        }

        public String mediaType() {
            return mediaType;
        }
    }

    /** The paper's own profile; sRGB; or the wide space of {@code StandardSpaces}. */
    public enum Space { PAPER, SRGB, WIDE }

    /** @throws InvalidRequest when the quality is out of its range */
    public LabFile {
        if (quality < 1 || quality > 100) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "A quality of " + quality + " can't be.",
                "Choose one from 1 to 100.");
        }
    }

    /** As it stands in lists: "TIFF, 16 bit". */
    public String words() {
        return switch (format) {
            case TIFF -> "TIFF, 16 bit";
            case JPEG -> "JPEG of quality " + quality;
            case PDF -> "PDF, 16 bit";
        };
    }
}

package wistel.core.printer;

/**
 * What printing takes by the printer's own figures.
 *
 * @param quality     IPP print-quality that these hold for
 * @param secondsPerM2 printing alone
 * @param inkMlPerM2  of paper that is covered wholly by one ink
 */
public record Consumption(int quality, double secondsPerM2, double inkMlPerM2) {
    public Consumption {
        if (!(secondsPerM2 >= 0 && inkMlPerM2 >= 0)) {
            throw new IllegalArgumentException(secondsPerM2 + " s, " + inkMlPerM2 + " ml");
        }
    }
}

package wistel.standin.ink;

/** What changes in a print room without anybody touching a setting. */
public enum Drift {
    NONE("as it was when profiles were made", 0, 1, 1, 1, 1, 1),
    INK_BATCH("another batch of inks", 0, 1.16, 0.95, 1.10, 1, 1),
    WEAR("heads worn: all lay down less", 0, 0.86, 0.86, 0.86, 0.86, 0.86),
    BLOCKED_NOZZLE("some of the cyan nozzles are blocked", 0, 0.55, 1, 1, 1, 1),
    PAPER_BATCH("another batch of paper, warmer", 0.085, 1, 1, 1, 1, 1);

    private final String words;
    private final double warmth;
    private final double[] amounts;

    /**
     * @param warmth  loss of the bare sheet from red to blue
     * @param amounts of {@link Laying#INKS}, as shares of what was meant
     */
    Drift(String words, double warmth, double... amounts) {
        this.words = words;
        this.warmth = warmth;
        this.amounts = amounts;
    }

    public String words() {
        return words;
    }

    double amount(int ink) {
        return amounts[ink];
    }

    /** Share of the sheet's own reflectance that is left at a wavelength. */
    double sheet(double nm) {
        return 1 + warmth * (nm - 620) / 150;
    }
}

package wistel.standin.room;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Properties;
import wistel.standin.ink.Laying;

/** What is left in the cartridges, and which black the printer is set up for. Guarded by its printer's lock. */
final class InkStore {
    static final double CAPACITY_ML = 80;
    /** What changing over from one black to the other takes. */
    static final double CHANGE_SECONDS = 120;
    static final double CHANGE_ML = 3.1;
    /** A printer that stood for days cleans its head first. */
    static final double CLEANING_ML = 1.2;
    private static final List<String> NAMES = List.of("cyan", "magenta", "yellow", "photo black", "matte black", "gray");
    private static final double[] FRESH = {71, 64, 68, 52, 61, 40};

    private final Map<String, Double> leftMl = new LinkedHashMap<>();
    private boolean photo = true;

    InkStore() {
        for (int i = 0; i < NAMES.size(); i++) {
            leftMl.put(NAMES.get(i), FRESH[i] * CAPACITY_ML / 100);
        }
    }

    void read(Properties p) {
        leftMl.replaceAll((name, ml) -> Double.parseDouble(p.getProperty("ink." + name, Double.toString(ml))));
        photo = Boolean.parseBoolean(p.getProperty("photo-black", "true"));
    }

    void write(Properties p) {
        leftMl.forEach((name, ml) -> p.setProperty("ink." + name, Double.toString(ml)));
        p.setProperty("photo-black", Boolean.toString(photo));
    }

    /** Percent left, by name. */
    Map<String, Integer> percent() {
        Map<String, Integer> percent = new LinkedHashMap<>();
        leftMl.forEach((name, ml) -> percent.put(name, (int) Math.round(100 * ml / CAPACITY_ML)));
        return percent;
    }

    boolean photo() {
        return photo;
    }

    /** @return whether it had to be changed over */
    boolean black(boolean wanted) {
        boolean changes = wanted != photo;
        photo = wanted;
        if (changes) {
            use(photo ? "photo black" : "matte black", CHANGE_ML);
        }
        return changes;
    }

    void clean() {
        leftMl.keySet().forEach(name -> use(name, CLEANING_ML / NAMES.size()));
    }

    /** @param ml of each of {@link Laying#INKS} */
    void lay(double[] ml) {
        for (int i = 0; i < ml.length; i++) {
            use(Laying.INKS.get(i).equals("black") ? photo ? "photo black" : "matte black" : Laying.INKS.get(i), ml[i]);
        }
    }

    private void use(String name, double ml) {
        leftMl.merge(name, -ml, (a, b) -> Math.max(0, a + b));
    }

    boolean empty() {
        return leftMl.entrySet().stream()
            .anyMatch(e -> e.getValue() <= 0 && (!e.getKey().endsWith("black") || e.getKey().startsWith("photo") == photo));
    }

    /** Somebody puts new cartridges in for those that are empty. */
    void replaceEmpty() {
        leftMl.replaceAll((name, ml) -> ml <= 0 ? CAPACITY_ML : ml);
    }

    void drain(String name) {
        leftMl.computeIfPresent(name, (n, ml) -> 0.0);
    }
}

package wistel.core.icc.profile;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.icc.FoundProfiles;
import wistel.core.icc.stage.Stage;

/** {@link LutReader} and its stages between the nodes, where the JDK's CMM can't be asked: against a second reading of the same bytes. */
public class PlainTableTest {
    private static final int COLOURS = 400;

    /** Each table once: a profile's intents often share one. */
    @DataProvider
    Object[][] tables() {
        List<Object[]> tables = new ArrayList<>();
        FoundProfiles.files().forEach((name, file) -> {
            IccProfile profile = ProfileReader.read(file);
            List<byte[]> seen = new ArrayList<>();
            profile.tags().forEach((tag, bytes) -> {
                if (tag.matches("[AB]2[AB][012]") && seen.stream().noneMatch(s -> Arrays.equals(s, bytes))) {
                    seen.add(bytes);
                    boolean fromDevice = tag.startsWith("A");
                    tables.add(new Object[] {name + " " + tag, bytes, fromDevice ? profile.space() : profile.pcs(),
                        fromDevice ? profile.pcs() : profile.space()});
                }
            });
        });
        return tables.toArray(Object[][]::new);
    }

    @Test(dataProvider = "tables")
    public void aTableGivesWhatASecondReadingGives(String name, byte[] tag, ColourSpace from, ColourSpace to) {
        compare(tag, from, to, 1e-4);
    }

    @Test
    public void thereAreTablesOfSeveralKindsToCompare() {
        assertThat(tables().length).isGreaterThan(20);
    }

    /** lutAToBType and lutBToAType with all their parts, of unequal sides and both widths of node. */
    @Test
    public void composedTablesGiveWhatASecondReadingGives() {
        SplittableRandom random = new SplittableRandom(8);
        char[] nodes = new char[3 * 5 * 4 * 3];
        for (int i = 0; i < nodes.length; i++) {
            nodes[i] = (char) random.nextInt(65536);
        }
        List<byte[]> gamma = List.of(TagWriter.parametric(1.8), TagWriter.sampled((char) 0, (char) 20000, (char) 65535),
            TagWriter.sampled());
        double[] matrix = {0.6, 0.2, 0.1, 0.1, 0.7, 0.1, 0, 0.2, 0.5, 0.02, 0, 0.05};
        LutWriter.Parts parts = new LutWriter.Parts(gamma, matrix, gamma, List.of(new LutWriter.Table(new int[] {3, 5, 4}, nodes)), gamma);
        for (ColourSpace pcs : List.of(ColourSpace.LAB, ColourSpace.XYZ)) {
            compare(LutWriter.deviceFirst(3, parts), ColourSpace.RGB, pcs, 1e-4);
            compare(LutWriter.connectionFirst(3, parts), pcs, ColourSpace.RGB, 1e-4);
        }
    }

    /** lut8Type over every space, and lut16Type with curves of odd lengths over XYZ, where its matrix counts. */
    @Test
    public void tablesOfEightBitsAndOverXyzGiveWhatASecondReadingGives() {
        SplittableRandom random = new SplittableRandom(9);
        byte[] small = new byte[3 * 4 * 4 * 4];
        random.nextBytes(small);
        char[] wide = new char[small.length];
        for (int i = 0; i < wide.length; i++) {
            wide[i] = (char) random.nextInt(65536);
        }
        char[] bent = {0, 500, 9000, 30000, 65535};
        compare(LutWriter.lut8(3, 3, 4, small), ColourSpace.RGB, ColourSpace.LAB, 1e-4);
        compare(LutWriter.lut8(3, 3, 4, small), ColourSpace.LAB, ColourSpace.RGB, 1e-4);
        compare(LutWriter.lut16(3, 4, wide, bent, bent, bent), ColourSpace.XYZ, ColourSpace.RGB, 1e-4);
        compare(LutWriter.lut16(3, 4, wide, bent, bent, bent), ColourSpace.LAB, ColourSpace.RGB, 1e-4);
    }

    private static void compare(byte[] tag, ColourSpace from, ColourSpace to, double near) {
        List<Stage> stages = LutReader.read(tag, from, to);
        PlainTable plain = new PlainTable(tag, from, to);
        SplittableRandom random = new SplittableRandom(5);
        for (int i = 0; i < COLOURS; i++) {
            double[] in = colour(from, random);
            double[] work = Arrays.copyOf(in, 16);
            stages.forEach(stage -> stage.apply(work, 16, 1));
            double[] wanted = plain.at(in);
            for (int c = 0; c < to.channels(); c++) {
                // the nodes are held as floats: seven digits, of numbers up to 128
                assertThat(work[c]).as(Arrays.toString(in)).isCloseTo(wanted[c], within(near));
            }
        }
    }

    private static double[] colour(ColourSpace space, SplittableRandom random) {
        return switch (space) {
            case LAB -> new double[] {random.nextDouble(0, 100), random.nextDouble(-128, 127), random.nextDouble(-128, 127)};
            case XYZ -> new double[] {random.nextDouble(0, 1), random.nextDouble(0, 1), random.nextDouble(0, 1)};
            default -> random.doubles(space.channels()).toArray();
        };
    }
}

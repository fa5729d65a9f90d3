package wistel.core.tone;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.cgats.Readings;
import wistel.core.cgats.Readings.Reading;
import wistel.core.colour.Lab;
import wistel.core.fault.InvalidRequest;
import wistel.core.pictures.Crop;

public class WedgeTest {
    @DataProvider
    public Object[][] wedges() {
        return new Object[][] {{new Wedge(21, 1, false, 1)}, {new Wedge(33, 2, true, 2)}, {new Wedge(51, 4, true, 3)},
            {new Wedge(101, 5, false, 4)}, {new Wedge(256, 2, true, 999_999_999)}};
    }

    /** Patches lie on the field, apart from each other and from the codes, each large enough to be read at its usual size. */
    @Test(dataProvider = "wedges")
    public void patchesAndCodesKeepApart(Wedge wedge) {
        double lowestCode = Wedge.codePlace(0).y() + Wedge.codePlace(0).height();
        double highestCode = Wedge.codePlace(2).y();
        Set<List<Long>> places = new HashSet<>();
        for (int i = 0; i < wedge.patches(); i++) {
            Crop at = wedge.place(i);
            assertThat(at.x()).isGreaterThan(0);
            assertThat(at.x() + at.width()).isLessThan(Wedge.WIDTH_MM);
            assertThat(at.y()).isGreaterThan(lowestCode + 4);
            assertThat(at.y() + at.height()).isLessThan(highestCode - 4);
            assertThat(Math.min(at.width(), at.height())).isGreaterThan(4.2);
            places.add(List.of(Math.round(at.x() * 100), Math.round(at.y() * 100)));
        }
        assertThat(places).hasSize(wedge.patches());
    }

    /** What is drawn in the corners is found there, with its number and corner, to a tenth of a millimetre. */
    @Test(dataProvider = "wedges")
    public void itsCornersAreFoundInItsOwnPicture(Wedge wedge) {
        char[] picture = wedge.picture();
        int width = Wedge.pictureWidth() + 200;
        byte[] grays = new byte[width * (Wedge.pictureHeight() + 200)];
        Arrays.fill(grays, (byte) 255);
        for (int i = 0; i < picture.length; i++) {
            grays[(i / Wedge.pictureWidth() + 100) * width + i % Wedge.pictureWidth() + 100] = (byte) (picture[i] >> 8);
        }
        double perMm = Wedge.pictureWidth() / Wedge.WIDTH_MM;
        for (int corner = 0; corner < 4; corner++) {
            Crop at = Wedge.codePlace(corner);
            int around = 80;
            int side = (int) (at.width() * perMm) + 2 * around;
            int left = (int) (at.x() * perMm) + 100 - around;
            int top = (int) (at.y() * perMm) + 100 - around;
            CornerCode.Found found = CornerCode.in(grays, width, new int[] {left, top, side, side}).orElseThrow();
            assertThat(found.code()).isEqualTo(new CornerCode(wedge.number(), corner));
            double module = at.width() / CornerCode.MODULES;
            for (int i = 0; i < 3; i++) {
                assertThat((found.finders().get(i)[0] - 100) / perMm).isCloseTo(at.x() + CornerCode.FINDERS[i][0] * module, within(0.15));
                assertThat((found.finders().get(i)[1] - 100) / perMm).isCloseTo(at.y() + CornerCode.FINDERS[i][1] * module, within(0.15));
            }
        }
        assertThat(CornerCode.in(grays, width, new int[] {width / 2 - 100, 0, 200, 200})).as("nothing where nothing is").isEmpty();
    }

    @Test
    public void wedgesThatCantBeReadAreRefused() {
        assertThatThrownBy(() -> new Wedge(22, 1, false, 1)).isInstanceOf(InvalidRequest.class).hasMessageContaining("22 steps");
        assertThatThrownBy(() -> new Wedge(256, 3, false, 1)).isInstanceOf(InvalidRequest.class);
        assertThatThrownBy(() -> new Wedge(21, 0, false, 1)).isInstanceOf(InvalidRequest.class);
    }

    /** Scattered by its number: the same again for the same, each step as often as it is repeated. */
    @Test
    public void scatteredItIsTheSameEachTime() {
        Wedge wedge = new Wedge(33, 3, true, 12);
        assertThat(wedge.order()).isEqualTo(new Wedge(33, 3, true, 12).order()).isNotEqualTo(new Wedge(33, 3, true, 13).order());
        for (int step = 0; step < 33; step++) {
            int wanted = step;
            assertThat(wedge.order().stream().filter(s -> s == wanted)).hasSize(3);
        }
    }

    /** Readings written as CGATS and read again: colours to four decimals, lightness by its density. */
    @Test
    public void readingsAreWrittenSoThatTheyReadTheSame() {
        List<Reading> colours = List.of(new Reading("W12-1", OptionalDouble.empty(), new Lab(95.1234, -0.5, 2.25)),
            new Reading("W12-2", OptionalDouble.empty(), new Lab(12.5, 0.125, -1)));
        Readings read = Readings.parse(new Readings(Readings.Kind.COLOUR, colours).text("a \"wedge\""));
        assertThat(read.kind()).isEqualTo(Readings.Kind.COLOUR);
        assertThat(read.all()).isEqualTo(colours);
        Readings light = Readings.parse(new Readings(Readings.Kind.LIGHTNESS, colours).text("scan"));
        assertThat(light.kind()).isEqualTo(Readings.Kind.LIGHTNESS);
        for (int i = 0; i < 2; i++) {
            assertThat(light.all().get(i).lab().l()).isCloseTo(colours.get(i).lab().l(), within(0.002));
            assertThat(light.all().get(i).id()).isEqualTo(colours.get(i).id());
        }
        List<Reading> sent = List.of(new Reading("1", OptionalDouble.of(1), new Lab(95, 0, 0)),
            new Reading("2", OptionalDouble.of(0.25), new Lab(30, 0, 0)));
        assertThat(Readings.parse(new Readings(Readings.Kind.COLOUR, sent).text("")).all()).isEqualTo(sent);
    }
}

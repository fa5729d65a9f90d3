package wistel.core.icc.gamut;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import wistel.core.colour.Lab;
import wistel.core.fault.ProfileException;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.stage.Chain;
import wistel.core.icc.transform.Recipe;

/**
 * The boundary of what a device can hold, as a closed mesh of triangles in media-relative L*a*b*: of three colorants the surface of the
 * device cube through A2B relative colorimetric; of four, the outermost points of all of its squares as seen from the middle of the gray
 * axis.
 *
 * @param vertices  L*, a*, b*
 * @param triangles three vertices each, counter-clockwise seen from outside
 */
public record GamutBoundary(List<Lab> vertices, List<int[]> triangles) {
    /** Steps along each edge of the device cube. */
    private static final int STEPS = 16;
    private static final int DIRECTIONS_AROUND = 72;
    private static final int DIRECTIONS_UP = 36;

    public GamutBoundary {
        vertices = List.copyOf(vertices);
        triangles = List.copyOf(triangles);
    }

    /** @throws ProfileException for devices of other than three or four channels, whose colours enclose no volume we can tell */
    public static GamutBoundary of(IccProfile device) {
        Chain look = Chain.of(new Recipe.DeviceToLab(device, false).stages());
        return switch (device.space().channels()) {
            case 3 -> outward(squares(look, 3));
            case 4 -> outermost(squares(look, 4));
            default -> throw new ProfileException(ProfileException.Reason.CHANNELS,
                "A device of " + device.space().channels() + " channels has no gamut that can be drawn.",
                "Choose a profile of three or four colorants.");
        };
    }

    /** Every square of the device cube's surface, cut into triangles; corners that squares share are one vertex. */
    private static GamutBoundary squares(Chain look, int channels) {
        Surface surface = new Surface(look, channels, new ArrayList<>(), new ArrayList<>(), new HashMap<>());
        for (int first = 0; first < channels; first++) {
            for (int second = first + 1; second < channels; second++) {
                for (int ends = 0; ends < 1 << (channels - 2); ends++) {
                    surface.square(new int[] {first, second}, ends);
                }
            }
        }
        return new GamutBoundary(surface.vertices, surface.triangles);
    }

    /**
     * The device cube's surface as it grows.
     *
     * @param known a vertex by its place on the grid
     */
    private record Surface(Chain look, int channels, List<Lab> vertices, List<int[]> triangles, Map<Integer, Integer> known) {
        void square(int[] free, int ends) {
            int[][] at = new int[STEPS + 1][STEPS + 1];
            for (int i = 0; i <= STEPS; i++) {
                for (int j = 0; j <= STEPS; j++) {
                    int key = 0;
                    double[] device = new double[channels];
                    for (int c = 0, end = 0; c < channels; c++) {
                        int step = c == free[0] ? i : c == free[1] ? j : (ends >> end++ & 1) * STEPS;
                        device[c] = (double) step / STEPS;
                        key = key * (STEPS + 1) + step;
                    }
                    at[i][j] = known.computeIfAbsent(key, k -> {
                        vertices.add(Lab.of(look.at(device)));
                        return vertices.size() - 1;
                    });
                }
            }
            // squares on opposite sides of the cube, and those whose axes are turned, are run round the other way
            boolean turned = (Integer.bitCount(ends) + free[0] + free[1]) % 2 == 0;
            for (int i = 0; i < STEPS; i++) {
                for (int j = 0; j < STEPS; j++) {
                    int a = at[i][j];
                    int b = at[i + 1][j];
                    int c = at[i + 1][j + 1];
                    int d = at[i][j + 1];
                    triangles.add(turned ? new int[] {a, c, b} : new int[] {a, b, c});
                    triangles.add(turned ? new int[] {a, d, c} : new int[] {a, c, d});
                }
            }
        }
    }

    private static GamutBoundary outward(GamutBoundary mesh) {
        if (mesh.signedVolume() >= 0) {
            return mesh;
        }
        return new GamutBoundary(mesh.vertices, mesh.triangles.stream().map(t -> new int[] {t[0], t[2], t[1]}).toList());
    }

    /** A mesh of rays from the middle of the gray axis, each as long as the farthest triangle it meets. */
    private static GamutBoundary outermost(GamutBoundary soup) {
        double darkest = soup.vertices.stream().mapToDouble(Lab::l).min().orElseThrow();
        double lightest = soup.vertices.stream().mapToDouble(Lab::l).max().orElseThrow();
        double[] middle = {(darkest + lightest) / 2, 0, 0};
        List<Lab> vertices = new ArrayList<>();
        for (int up = 0; up <= DIRECTIONS_UP; up++) {
            double polar = Math.PI * up / DIRECTIONS_UP;
            for (int around = 0; around < DIRECTIONS_AROUND; around++) {
                double azimuth = 2 * Math.PI * around / DIRECTIONS_AROUND;
                double[] ray = {-Math.cos(polar), Math.sin(polar) * Math.cos(azimuth), Math.sin(polar) * Math.sin(azimuth)};
                double length = soup.farthest(middle, ray);
                vertices.add(new Lab(middle[0] + length * ray[0], length * ray[1], length * ray[2]));
            }
        }
        List<int[]> triangles = new ArrayList<>();
        for (int up = 0; up < DIRECTIONS_UP; up++) {
            for (int around = 0; around < DIRECTIONS_AROUND; around++) {
                int next = (around + 1) % DIRECTIONS_AROUND;
                int a = up * DIRECTIONS_AROUND + around;
                int b = up * DIRECTIONS_AROUND + next;
                triangles.add(new int[] {a, b, b + DIRECTIONS_AROUND});
                triangles.add(new int[] {a, b + DIRECTIONS_AROUND, a + DIRECTIONS_AROUND});
            }
        }
        return outward(new GamutBoundary(vertices, triangles));
    }

    /** Along a ray, the largest distance at which it passes through a triangle (Moeller and Trumbore, 1997); 0 where it meets none. */
    private double farthest(double[] from, double[] ray) {
        double farthest = 0;
        for (int[] t : triangles) {
            double[] a = minus(vertices.get(t[0]).toArray(), from);
            double[] ab = minus(vertices.get(t[1]).toArray(), vertices.get(t[0]).toArray());
            double[] ac = minus(vertices.get(t[2]).toArray(), vertices.get(t[0]).toArray());
            double[] p = cross(ray, ac);
            double det = dot(ab, p);
            if (Math.abs(det) < 1e-12) {
                continue;
            }
            double u = -dot(a, p) / det;
            double[] q = cross(new double[] {-a[0], -a[1], -a[2]}, ab);
            double v = dot(ray, q) / det;
            if (u >= -1e-9 && v >= -1e-9 && u + v <= 1 + 1e-9) {
                farthest = Math.max(farthest, dot(ac, q) / det);
            }
        }
        return farthest;
    }

    /** Cubic L*a*b* units. */
    public double volume() {
        return Math.abs(signedVolume());
    }

    private double signedVolume() {
        double sum = 0;
        for (int[] t : triangles) {
            sum += dot(vertices.get(t[0]).toArray(), cross(vertices.get(t[1]).toArray(), vertices.get(t[2]).toArray()));
        }
        return sum / 6;
    }

    /**
     * The most vivid colour of a part of the hues.
     *
     * @param hue in degrees, the middle of the part
     * @param at  the colour
     */
    public record VividColour(double hue, Lab at) {
    }

    /** @param parts that the hues are divided into, from 0 degrees on; one without a vertex is left out */
    public List<VividColour> vivid(int parts) {
        List<VividColour> vivid = new ArrayList<>();
        for (int part = 0; part < parts; part++) {
            double from = 360.0 * part / parts;
            double to = 360.0 * (part + 1) / parts;
            vertices.stream().filter(v -> v.hueDegrees() >= from && v.hueDegrees() < to).max(Comparator.comparingDouble(Lab::chroma))
                .ifPresent(v -> vivid.add(new VividColour((from + to) / 2, v)));
        }
        return vivid;
    }

    /** The outlines at one lightness: closed lines of a*, b*, the first point not repeated. Empty above white and below black. */
    public List<List<double[]>> slice(double lightness) {
        Map<Long, double[]> points = new HashMap<>();
        Map<Long, Deque<Long>> neighbours = new HashMap<>();
        for (int[] t : triangles) {
            List<Long> crossed = new ArrayList<>();
            for (int side = 0; side < 3; side++) {
                int a = Math.min(t[side], t[(side + 1) % 3]);
                int b = Math.max(t[side], t[(side + 1) % 3]);
                double la = vertices.get(a).l() - lightness;
                double lb = vertices.get(b).l() - lightness;
                if (la < 0 != lb < 0) {
                    long edge = (long) a << 32 | b;
                    double part = la / (la - lb);
                    points.put(edge, new double[] {vertices.get(a).a() + part * (vertices.get(b).a() - vertices.get(a).a()),
                        vertices.get(a).b() + part * (vertices.get(b).b() - vertices.get(a).b())});
                    crossed.add(edge);
                }
            }
            if (crossed.size() == 2) {
                neighbours.computeIfAbsent(crossed.get(0), k -> new ArrayDeque<>()).add(crossed.get(1));
                neighbours.computeIfAbsent(crossed.get(1), k -> new ArrayDeque<>()).add(crossed.get(0));
            }
        }
        return outlines(points, neighbours);
    }

    private static List<List<double[]>> outlines(Map<Long, double[]> points, Map<Long, Deque<Long>> neighbours) {
        List<List<double[]>> outlines = new ArrayList<>();
        for (Long start : points.keySet().stream().sorted().toList()) {
            List<double[]> outline = new ArrayList<>();
            Long at = start;
            while (at != null && neighbours.containsKey(at)) {
                outline.add(points.get(at));
                Deque<Long> next = neighbours.remove(at);
                at = next.stream().filter(neighbours::containsKey).findFirst().orElse(null);
            }
            if (outline.size() > 2) {
                outlines.add(outline);
            }
        }
        return outlines;
    }

    private static double[] minus(double[] a, double[] b) {
        return new double[] {a[0] - b[0], a[1] - b[1], a[2] - b[2]};
    }

    private static double[] cross(double[] a, double[] b) {
        return new double[] {a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]};
    }

    private static double dot(double[] a, double[] b) {
        return a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
    }
}

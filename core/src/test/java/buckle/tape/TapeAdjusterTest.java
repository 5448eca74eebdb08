package buckle.tape;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import buckle.site.BadInput;
import buckle.site.GeoPoint;
import buckle.tape.TapeResult.RowResult;
import buckle.tape.TapeResult.TapePoint;
import buckle.tape.TapeResult.Verdict;
import buckle.units.UnitSystem;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import net.sf.geographiclib.Geodesic;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.DiagonalMatrix;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LeastSquaresBuilder;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LevenbergMarquardtOptimizer;
import org.hipparchus.optim.nonlinear.vector.leastsquares.MultivariateJacobianFunction;
import org.hipparchus.util.Pair;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TapeAdjusterTest {
    private static TapeBook book(UnitSystem units, TapeRow... rows) {
        return new TapeBook("t", "yard", List.of(rows), units, 0.75, false, Optional.empty());
    }

    private static TapeRow row(String from, String to, String length) {
        return TapeRow.distance(from, to, length);
    }

    private static TapePoint point(TapeResult result, String name) {
        return result.points().stream()
                .filter(p -> p.name().equals(name))
                .findFirst()
                .orElseThrow();
    }

    private static List<String> verdicts(TapeResult result, Verdict.Kind kind) {
        return result.verdicts().stream()
                .filter(v -> v.kind() == kind)
                .map(Verdict::text)
                .toList();
    }

    /**
     * A braced square can be worked by hand: its one condition is the self-stress of the frame, 1 on each side and −√2 on
     * each diagonal (equal weights: their squares add up to 8). A diagonal e too long is taken back by e/4, and each side
     * grows by e √2/8. Here sides of 10 m and diagonals of 14.142 m, one 160 mm too long; a tape's sigma grows so slowly
     * with length that weights differ by 12 %, which is allowed for.
     */
    @Test
    void aBracedSquareComesOutAsWorkedByHand() {
        double d = Math.sqrt(200);
        TapeResult result = TapeAdjuster.adjust(book(
                UnitSystem.METRIC,
                row("A", "B", "10"),
                row("B", "C", "10"),
                row("C", "D", "10"),
                row("D", "A", "10"),
                row("A", "C", String.valueOf(d)),
                row("B", "D", String.valueOf(d + 0.16))));
        double side = Math.pow(0.010 + 0.0005 * 10, 2);
        double diagonal = Math.pow(0.010 + 0.0005 * d, 2);
        double weighed = 4 * side + 4 * diagonal;
        assertThat(result.spare()).isEqualTo(1);
        assertThat(result.rows().get(5).adjustedM().orElseThrow() - (d + 0.16))
                .isCloseTo(-2 * diagonal * 0.16 / weighed, within(1e-3));
        assertThat(result.rows().get(0).adjustedM().orElseThrow() - 10)
                .isCloseTo(Math.sqrt(2) * side * 0.16 / weighed, within(1e-3));
        assertThat(result.rows().get(5).restSaysM().orElseThrow()).isCloseTo(d, within(2e-3));
        assertThat(verdicts(result, Verdict.Kind.SUSPECT))
                .singleElement()
                .asString()
                .contains("that there is one, not where")
                .contains("A–B", "A–C");
    }

    /** The yard as it was taped: six measures over four corners, one to spare, and a gate post along the front. */
    @Test
    void theYardIsAdjustedAndAFurtherTieIsNamed() {
        TapeResult result = TapeAdjuster.adjust(book(
                UnitSystem.METRIC,
                new TapeRow("A", "B", "21.04", "", "", "front"),
                row("B", "C", "14.97"),
                new TapeRow("C", "D", "20.96", "", "", "back"),
                row("D", "A", "15.06"),
                new TapeRow("A", "C", "25.79", "", "", "diagonal"),
                new TapeRow("B", "D", "25.86", "", "", "diagonal"),
                new TapeRow("A", "G", "3.20", "", "", "gate post from A along front")));
        assertThat(result.spare()).isEqualTo(1);
        assertThat(point(result, "G").eastM()).isCloseTo(3.20, within(0.01));
        assertThat(point(result, "G").northM()).isCloseTo(0, within(0.01));
        assertThat(point(result, "C").eastM()).isCloseTo(21, within(0.1));
        assertThat(point(result, "C").northM()).isCloseTo(15, within(0.1));
        assertThat(result.points()).allSatisfy(p -> assertThat(p.sigmaM()).isBetween(0.0, 0.1));
        assertThat(result.verdicts())
                .extracting(Verdict::text)
                .anyMatch(t -> t.contains("Tape C–G") || t.contains("Tape D–G"));
        List<String> all = result.verdicts().stream().map(Verdict::text).toList();
        assertThat(all).anyMatch(t -> t.contains("shows") && t.contains("not where"));
    }

    /** Two more ties to the gate post, and one diagonal half a metre out: the slip is among what is named, the ties are not. */
    @Test
    void aSlipIsNamedOnceThereAreTiesThatTell() {
        TapeResult result = TapeAdjuster.adjust(book(
                UnitSystem.METRIC,
                new TapeRow("A", "B", "21.04", "", "", "front"),
                row("B", "C", "14.97"),
                row("C", "D", "20.96"),
                row("D", "A", "15.06"),
                row("A", "C", "25.79"),
                row("B", "D", "26.36"),
                new TapeRow("A", "G", "3.20", "B", "", ""),
                row("C", "G", "23.26"),
                row("D", "G", "15.38")));
        assertThat(verdicts(result, Verdict.Kind.SUSPECT))
                .singleElement()
                .asString()
                .contains("B–D")
                .doesNotContain("C–G", "D–G", "C–D");
        assertThat(point(result, "G").northM()).isCloseTo(0, within(0.3));
    }

    /** Source: Levenberg-Marquardt of Hipparchus with QR on the weighted residuals, another road to the same minimum. */
    @Test
    void hipparchusOwnOptimiserFindsTheSamePlaces() {
        Sheet sheet = Sheet.random(12, 40, 7, 0.02);
        TapeResult ours = TapeAdjuster.adjust(sheet.book());
        double[] theirs = sheet.byLevenbergMarquardt();
        for (int i = 0; i < ours.points().size(); i++) {
            assertThat(ours.points().get(i).eastM()).isCloseTo(theirs[2 * i], within(1e-6));
            assertThat(ours.points().get(i).northM()).isCloseTo(theirs[2 * i + 1], within(1e-6));
        }
    }

    /** Over many sheets: true places are found within what the sigmas say, and one gross error is named. */
    @Test
    void aGrossErrorIsFoundAndNamed() {
        int found = 0;
        int misled = 0;
        int within3 = 0;
        int points = 0;
        for (int seed = 0; seed < 40; seed++) {
            Sheet sheet = Sheet.random(8, 20, seed, 0.012);
            Sheet wrong = sheet.spoiled(seed % 20, 0.30);
            List<String> said = verdicts(TapeAdjuster.adjust(wrong.book()), Verdict.Kind.SUSPECT);
            String title = wrong.rows().get(seed % 20).title();
            if (said.stream()
                    .anyMatch(s -> s.startsWith(title + " is") && s.contains("longer than all the others imply"))) {
                found++;
            } else if (said.stream().anyMatch(s -> s.contains("than all the others imply"))) {
                misled++;
            }
            TapeResult sound = TapeAdjuster.adjust(sheet.book());
            for (int i = 2; i < sound.points().size(); i++) {
                TapePoint p = sound.points().get(i);
                double off = Math.hypot(p.eastM() - sheet.x(i), p.northM() - sheet.y(i));
                within3 += off <= 3 * p.sigmaM() ? 1 : 0;
                points++;
            }
        }
        assertThat(found).isGreaterThanOrEqualTo(30);
        assertThat(misled).isLessThanOrEqualTo(3);
        assertThat(within3).isGreaterThan(points * 95 / 100);
    }

    @Test
    void tooFewMeasuresAreSaid() {
        TapeResult open = TapeAdjuster.adjust(book(
                UnitSystem.METRIC, row("A", "B", "10"), row("B", "C", "8"), row("A", "C", "12"), row("C", "D", "5")));
        assertThat(open.points()).extracting(TapePoint::name).containsExactly("A", "B", "C");
        assertThat(verdicts(open, Verdict.Kind.WRONG))
                .singleElement()
                .asString()
                .contains("D has one measure only (C–D)");
        assertThat(verdicts(open, Verdict.Kind.NEXT)).singleElement().asString().contains("No measure to spare");
        assertThat(open.rows()).extracting(RowResult::restSaysM).allMatch(java.util.OptionalDouble::isEmpty);
    }

    @Test
    void aTriangleThatCannotCloseIsSaid() {
        TapeResult result = TapeAdjuster.adjust(
                book(UnitSystem.METRIC, row("A", "B", "10"), row("B", "C", "8"), row("A", "C", "22")));
        assertThat(verdicts(result, Verdict.Kind.WRONG))
                .singleElement()
                .asString()
                .contains("A–C at 22.000 m is longer than A–B and B–C together (18.000 m)");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "A|B|0||tape.length",
                "A|B|-3||tape.length",
                "A|B|about ten||tape.length",
                "A|A|4||tape.point",
                "A||4||tape.point",
                "A|B|4|Q|tape.unknown",
            })
    void aBadRowIsNamed(String from, String to, String length, String towards, String code) {
        TapeRow bad = new TapeRow(from, to == null ? "" : to, length, towards == null ? "" : towards, "", "");
        assertThatThrownBy(() -> TapeAdjuster.adjust(book(UnitSystem.METRIC, row("A", "B", "4"), bad)))
                .isInstanceOfSatisfying(BadInput.class, e -> {
                    assertThat(e.problems()).extracting(p -> p.code()).contains(code);
                    assertThat(e.problems().getFirst().path()).startsWith("rows[1]");
                });
    }

    /** Feet and inches, paces by the walker's step, an offset to the left; and the sheet laid on the ground. */
    @Test
    void feetPacesAndOffsetsAreRead() {
        TapeBook yard = new TapeBook(
                "t",
                "yard",
                List.of(
                        row("A", "B", "84 ft 6 in"),
                        row("B", "C", "40 p"),
                        row("A", "C", "30.03"),
                        new TapeRow("A", "tree", "20 ft", "B", "-6 ft", "")),
                UnitSystem.FT_IN,
                0.75,
                true,
                Optional.of(new TapeBook.Placement(GeoPoint.of(0.88, 44.13), 120)));
        TapeResult result = TapeAdjuster.adjust(yard);
        assertThat(result.rows().get(0).measuredM()).isCloseTo(25.7556, within(1e-6));
        assertThat(result.rows().get(1).measuredM()).isCloseTo(30, within(1e-9));
        assertThat(result.rows().get(2).measuredM()).isCloseTo(30.03 * 0.3048, within(1e-9));
        TapePoint a = point(result, "A");
        TapePoint b = point(result, "B");
        var line = Geodesic.WGS84.Inverse(
                a.at().orElseThrow().latDeg(),
                a.at().orElseThrow().lonDeg(),
                b.at().orElseThrow().latDeg(),
                b.at().orElseThrow().lonDeg());
        assertThat(line.azi1).isCloseTo(120, within(1e-3));
        assertThat(line.s12).isCloseTo(result.rows().get(0).adjustedM().orElseThrow(), within(1e-3));
        assertThat(point(result, "tree").eastM()).isNotCloseTo(0, within(1.0));
    }

    /** A simulated sheet: points scattered over a yard, the first two along the x axis. */
    private record Sheet(double[] truth, List<TapeRow> rows, List<double[]> measures) {
        static Sheet random(int points, int measures, long seed, double errorM) {
            Random random = new Random(seed);
            double[] xy = new double[2 * points];
            for (int i = 1; i < points; i++) {
                xy[2 * i] = i == 1 ? 30 : 60 * random.nextDouble() - 10;
                xy[2 * i + 1] = i == 1 ? 0 : 3 + 40 * random.nextDouble();
            }
            List<int[]> pairs = new ArrayList<>();
            for (int i = 1; i < points; i++) {
                pairs.add(new int[] {0, i});
                if (i > 1) {
                    pairs.add(new int[] {1, i});
                }
            }
            while (pairs.size() < measures) {
                int a = random.nextInt(points);
                int b = random.nextInt(points);
                if (a < b && pairs.stream().noneMatch(p -> p[0] == a && p[1] == b)) {
                    pairs.add(new int[] {a, b});
                }
            }
            List<TapeRow> rows = new ArrayList<>();
            List<double[]> values = new ArrayList<>();
            for (int[] p : pairs) {
                double d = Math.hypot(xy[2 * p[0]] - xy[2 * p[1]], xy[2 * p[0] + 1] - xy[2 * p[1] + 1])
                        + errorM * random.nextGaussian();
                rows.add(TapeRow.distance("P" + p[0], "P" + p[1], String.valueOf(d)));
                values.add(new double[] {p[0], p[1], d});
            }
            return new Sheet(xy, rows, values);
        }

        Sheet spoiled(int row, double byM) {
            List<TapeRow> changed = new ArrayList<>(rows);
            changed.set(
                    row,
                    TapeRow.distance(
                            rows.get(row).from(), rows.get(row).to(), String.valueOf(measures.get(row)[2] + byM)));
            return new Sheet(truth, changed, measures);
        }

        TapeBook book() {
            return new TapeBook("t", "t", rows, UnitSystem.METRIC, 0.75, false, Optional.empty());
        }

        double x(int i) {
            return truth[2 * i];
        }

        double y(int i) {
            return truth[2 * i + 1];
        }

        double[] byLevenbergMarquardt() {
            int n = truth.length;
            double[] target = measures.stream().mapToDouble(m -> m[2]).toArray();
            double[] weights = measures.stream()
                    .mapToDouble(m -> 1 / Math.pow(0.010 + 0.0005 * m[2], 2))
                    .toArray();
            MultivariateJacobianFunction model = v -> {
                double[] xy = new double[n];
                xy[2] = v.getEntry(0);
                for (int i = 4; i < n; i++) {
                    xy[i] = v.getEntry(i - 3);
                }
                double[] value = new double[target.length];
                double[][] jacobian = new double[target.length][n - 3];
                for (int k = 0; k < target.length; k++) {
                    int a = (int) measures.get(k)[0];
                    int b = (int) measures.get(k)[1];
                    double dx = xy[2 * b] - xy[2 * a];
                    double dy = xy[2 * b + 1] - xy[2 * a + 1];
                    value[k] = Math.hypot(dx, dy);
                    int[] at = {2 * a, 2 * a + 1, 2 * b, 2 * b + 1};
                    double[] by = {-dx, -dy, dx, dy};
                    for (int c = 0; c < 4; c++) {
                        int column = at[c] == 2 ? 0 : at[c] < 4 ? -1 : at[c] - 3;
                        if (column >= 0) {
                            jacobian[k][column] += by[c] / value[k];
                        }
                    }
                }
                return new Pair<>(new ArrayRealVector(value), new Array2DRowRealMatrix(jacobian));
            };
            double[] start = new double[n - 3];
            start[0] = truth[2];
            System.arraycopy(truth, 4, start, 1, n - 4);
            double[] found = new LevenbergMarquardtOptimizer()
                    .optimize(new LeastSquaresBuilder()
                            .start(start)
                            .model(model)
                            .target(target)
                            .weight(new DiagonalMatrix(weights))
                            .maxEvaluations(500)
                            .maxIterations(500)
                            .build())
                    .getPoint()
                    .toArray();
            double[] xy = new double[n];
            xy[2] = found[0];
            System.arraycopy(found, 1, xy, 4, n - 4);
            return xy;
        }
    }
}

package buckle.layout;

import buckle.land.Contact;
import buckle.land.LandKind;
import buckle.rulebook.Values;
import buckle.spec.Spec;
import buckle.units.Lengths;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** C4: signs at gates, closer together beside public ways, and along the rest of the line. */
public final class Signs {
    /** A sign this near serves both reasons. */
    private static final double SERVES_M = 3;

    private Signs() {}

    static List<Sign> of(List<LaidLine> lines, Spec spec) {
        List<Sign> signs = new ArrayList<>();
        lines.forEach(line -> along(line, spec, signs));
        return signs;
    }

    private static void along(LaidLine laid, Spec spec, List<Sign> signs) {
        LineLayout line = laid.layout();
        List<Sign> here = new ArrayList<>();
        for (GatePlace gate : line.gates()) {
            here.add(new Sign(line.lineId(), gate.fromM(), gate.name()));
        }
        for (Contact c : laid.contacts()) {
            if (c.feature().kind() == LandKind.PUBLIC_WAY) {
                int n = Lengths.parts(c.toM() - c.fromM(), Values.C4_PUBLIC_EVERY_M);
                for (int k = 0; k <= n; k++) {
                    put(
                            here,
                            line,
                            c.fromM() + (c.toM() - c.fromM()) * k / n,
                            c.feature().title());
                }
            }
        }
        List<Sign> needed = List.copyOf(here);
        double every = spec.fence().signEveryM();
        int n = Lengths.parts(line.lengthM(), every);
        for (int k = 0; k < n; k++) {
            double at = line.lengthM() * (k + 0.5) / n;
            boolean served = needed.stream().anyMatch(s -> Math.abs(s.stationM() - at) < every / 2);
            if (!served) {
                here.add(new Sign(line.lineId(), at, "along the line"));
            }
        }
        here.sort(Comparator.comparingDouble(Sign::stationM));
        signs.addAll(here);
    }

    /** How many stand along a stretch of a line. */
    public static long between(List<Sign> signs, String lineId, double fromM, double toM) {
        return signs.stream()
                .filter(s ->
                        s.lineId().equals(lineId) && s.stationM() >= fromM - SERVES_M && s.stationM() <= toM + SERVES_M)
                .count();
    }

    private static void put(List<Sign> signs, LineLayout line, double stationM, String why) {
        if (signs.stream().noneMatch(s -> Math.abs(s.stationM() - stationM) < SERVES_M)) {
            signs.add(new Sign(line.lineId(), stationM, why));
        }
    }
}

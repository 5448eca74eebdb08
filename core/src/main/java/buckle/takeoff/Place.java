package buckle.takeoff;

import java.util.List;

/** Where on the layout a part is. */
public sealed interface Place {
    /** Line it is on. */
    String lineId();

    /** Share of the part that lies on a stretch of a line, from 0 to 1. */
    double share(String line, double fromM, double toM);

    /** At single stations, as much at each. */
    record Stations(String lineId, List<Double> stationsM) implements Place {
        /** A hand's breadth beside the end of a stretch still belongs to it. */
        private static final double AT_END_M = 0.02;

        public Stations {
            stationsM = List.copyOf(stationsM);
        }

        @Override
        public double share(String line, double fromM, double toM) {
            if (!line.equals(lineId) || stationsM.isEmpty()) {
                return 0;
            }
            long inside = stationsM.stream()
                    .filter(s -> s >= fromM - AT_END_M && s <= toM + AT_END_M)
                    .count();
            return (double) inside / stationsM.size();
        }
    }

    /** All along a stretch. */
    record Stretch(String lineId, double fromM, double toM) implements Place {
        @Override
        public double share(String line, double from, double to) {
            double overlap = Math.min(to, toM) - Math.max(from, fromM);
            return line.equals(lineId) && overlap > 0 ? overlap / (toM - fromM) : 0;
        }
    }
}

package buckle.layout;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;

/** Names of the places of a line that stay while other things move: by corner, by gate, or counted from one of those. */
public final class PlaceKeys {
    private final LineLayout line;
    private final List<String> cornerIds;
    private final List<String> ends = new ArrayList<>();

    public PlaceKeys(LineLayout line, List<String> cornerIds) {
        this.line = line;
        this.cornerIds = cornerIds;
        String before = "";
        int part = 0;
        for (Pull pull : line.pulls()) {
            for (double end : new double[] {pull.fromM(), pull.toM()}) {
                String key = at(end);
                if (!key.isEmpty()) {
                    before = key;
                    part = 0;
                } else if (end == pull.toM()) {
                    part++;
                }
                ends.add(key.isEmpty() ? before + "+" + part : key);
            }
        }
    }

    /** Of a corner. */
    public String corner(int i) {
        return "corner:" + cornerIds.get(i % cornerIds.size());
    }

    /** Where a pull begins. */
    public String begin(int pull) {
        return ends.get(2 * pull);
    }

    /** Where a pull ends. */
    public String end(int pull) {
        return ends.get(2 * pull + 1);
    }

    /** Of the gate or corner at a station; empty where there is none. */
    public String at(double stationM) {
        for (GatePlace gate : line.gates()) {
            if (Math.abs(gate.fromM() - stationM) < Post.SAME_PLACE_M) {
                return "gate:" + gate.id() + ":first";
            }
            if (Math.abs(gate.toM() - stationM) < Post.SAME_PLACE_M) {
                return "gate:" + gate.id() + ":last";
            }
        }
        List<Double> corners = line.cornerStationsM();
        int found = Collections.binarySearch(corners, stationM);
        int after = found >= 0 ? found : -found - 1;
        for (int i = Math.max(0, after - 1); i <= after && i < corners.size(); i++) {
            if (Math.abs(corners.get(i) - stationM) < Post.SAME_PLACE_M) {
                return corner(i);
            }
        }
        return line.closed() && line.lengthM() - stationM < Post.SAME_PLACE_M ? corner(0) : "";
    }
}

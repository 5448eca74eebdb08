package buckle.practice;

import buckle.diagnosis.FaultKind;
import buckle.spec.Growth;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;

/** Ten cases, the easier before: what is hidden on which fence. Where it lies is drawn by a seed. */
public enum PracticeCase {
    GRASS_ON_LOW_WIRE(PracticeFence.PADDOCK, Growth.LIGHT, (fence, seed) -> List.of(growth(fence, seed, 12))),
    CRACKED_INSULATOR(
            PracticeFence.PADDOCK, Growth.CLEAN, (fence, seed) -> List.of(placed(fence, seed, FaultKind.LEAK, 300))),
    BROKEN_WIRE(
            PracticeFence.LANE,
            Growth.CLEAN,
            (fence, seed) -> List.of(placed(fence, seed, FaultKind.BREAK, Double.POSITIVE_INFINITY))),
    DRY_RODS(PracticeFence.FORK, Growth.LIGHT, (fence, seed) -> List.of(HiddenFault.atEnergizer(FaultKind.EARTH, 12))),
    FLAT_BATTERY(
            PracticeFence.PADDOCK,
            Growth.LIGHT,
            (fence, seed) -> List.of(HiddenFault.atEnergizer(FaultKind.SUPPLY, 0.45))),
    LEAK_ON_A_BRANCH(
            PracticeFence.FORK, Growth.LIGHT, (fence, seed) -> List.of(placed(fence, seed, FaultKind.LEAK, 250))),
    POOR_JOINT(PracticeFence.LANE, Growth.LIGHT, (fence, seed) -> List.of(placed(fence, seed, FaultKind.BREAK, 4000))),
    WEAK_LEAK(PracticeFence.LANE, Growth.LIGHT, (fence, seed) -> List.of(placed(fence, seed, FaultKind.LEAK, 1500))),
    ONLY_WHEN_WET(
            PracticeFence.FORK,
            Growth.LIGHT,
            (fence, seed) -> List.of(placed(fence, seed, FaultKind.LEAK, 300).whenWet())),
    TWO_FAULTS_ONE_WET(
            PracticeFence.FORK,
            Growth.LIGHT,
            (fence, seed) -> List.of(
                    placed(fence, seed, FaultKind.LEAK, 350),
                    placed(fence, seed + 7919, FaultKind.LEAK, 300).whenWet()));

    private static final double GROWN_M = 50;

    private final PracticeFence fence;
    private final Growth growth;
    private final BiFunction<SimulatedFence, Long, List<HiddenFault>> hides;

    PracticeCase(PracticeFence fence, Growth growth, BiFunction<SimulatedFence, Long, List<HiddenFault>> hides) {
        this.fence = fence;
        this.growth = growth;
        this.hides = hides;
    }

    PracticeFence fence() {
        return fence;
    }

    Growth growth() {
        return growth;
    }

    List<HiddenFault> hidden(SimulatedFence on, long seed) {
        return hides.apply(on, seed);
    }

    private static HiddenFault placed(SimulatedFence fence, long seed, FaultKind kind, double ohm) {
        HiddenFault drawn = fence.draw(seed);
        return HiddenFault.at(kind, drawn.lineId().orElseThrow(), drawn.fromM(), ohm);
    }

    private static HiddenFault growth(SimulatedFence fence, long seed, double milliSiemens) {
        HiddenFault drawn = fence.draw(seed);
        double from = Math.max(0, drawn.fromM() - GROWN_M / 2);
        return new HiddenFault(
                FaultKind.GROWTH, Optional.of(drawn.lineId().orElseThrow()), from, from + GROWN_M, milliSiemens, false);
    }
}

package buckle.layout;

import buckle.material.PostStock;
import buckle.mechanics.Ground;

/**
 * How a post stands, before it is loaded.
 *
 * @param widthM that the ground pushes against: of the post, or of its concrete
 * @param weightN of the post, and of its concrete
 */
record Foot(PostStock stock, double widthM, double depthM, double lengthM, double weightN, Ground ground) {
    boolean is(PostStock ofStock, double width, double depth, double length, double weight, Ground in) {
        return stock.equals(ofStock)
                && widthM == width
                && depthM == depth
                && lengthM == length
                && weightN == weight
                && ground.equals(in);
    }
}

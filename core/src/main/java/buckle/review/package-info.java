/** What a laid-out and joined-up fence has to say: findings by rule and place, and which of them somebody accepted. Imports all down to network. */
@NullMarked
package buckle.review;

import org.jspecify.annotations.NullMarked;

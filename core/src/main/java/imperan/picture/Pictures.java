package imperan.picture;

import java.util.Optional;

/** Where pictures are found by their {@link Picture#hash() hash}. */
public interface Pictures {

    Pictures NONE = hash -> Optional.empty();

    Optional<Picture> get(String hash);
}

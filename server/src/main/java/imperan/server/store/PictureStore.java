package imperan.server.store;

import imperan.picture.Picture;
import imperan.picture.Pictures;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.springframework.stereotype.Repository;

/** The pictures of the installation. They are kept for good: any show, or an edit that is taken back, may name one. */
@Repository
public class PictureStore implements Pictures {

    /** @param name of the file that it was uploaded from */
    public record Named(String hash, String name) {}

    /** As a row gives it. */
    record Bytes(byte[] bytes) {}

    @Mapper
    interface PictureMapper {

        @Select("select bytes from picture where hash = #{hash}")
        Optional<Bytes> get(@Param("hash") String hash);

        @Select("select hash, name from picture order by lower(name), hash")
        List<Named> all();

        @Delete("delete from picture where hash = #{hash}")
        void remove(@Param("hash") String hash);

        @Insert(
                "insert into picture (hash, name, bytes) values (#{hash}, #{name}, #{bytes}) on conflict (hash) do nothing")
        int put(@Param("hash") String hash, @Param("name") String name, @Param("bytes") byte[] bytes);
    }

    private final PictureMapper mapper;

    PictureStore(PictureMapper mapper) {
        this.mapper = mapper;
    }

    @Override
    public Optional<Picture> get(String hash) {
        // what is kept was read before it was: nothing is decoded again
        return mapper.get(hash).flatMap(row -> Picture.kept(row.bytes()));
    }

    public List<Named> all() {
        return mapper.all();
    }

    /** Keeps a picture, and says whether it is new; one that is there already stays under the name it has. */
    public boolean keep(Picture picture, String name) {
        return mapper.put(picture.hash(), name, picture.bytes()) == 1;
    }

    /** Takes back that a picture was kept, where nothing that needs it came to be. */
    public void forget(Picture picture) {
        mapper.remove(picture.hash());
    }
}

// Reading and writing Lariat's JSON documents.
//
// Every document is an object that starts with "format" and "version". Keys keep their order, so that files
// read well in a diff. Keys that this version does not know are kept in an Extra and written back.
// Limits: 16 MiB a file, 32 levels deep, 512 keys an object, 10,000 entries a list (200,000 messages of a performance);
// beyond them a document is refused.
#pragma once

#include "model/extra.h"
#include "model/file.h"
#include "model/read_error.h"
#include "model/result.h"

#include <functional>
#include <set>
#include <string>
#include <string_view>

#include <nlohmann/json.hpp>

namespace lariat {

using Json = nlohmann::ordered_json;

inline constexpr std::size_t kMaxListEntries = 10'000;
inline constexpr int kMaxKeys = 512; ///< keys keep their order, so they are looked up one by one

/// Reads one JSON object key by key, with the path for error messages.
class Reader {
  public:
    Reader(const Json& node, std::string path);

    [[nodiscard]] bool has(const char* key) const { return node_.contains(key); }
    [[nodiscard]] std::string text(const char* key);
    [[nodiscard]] std::string text(const char* key, std::string_view fallback);
    /// A text of lower-case letters, digits and dashes.
    [[nodiscard]] std::string id(const char* key);
    [[nodiscard]] double number(const char* key, double min, double max);
    [[nodiscard]] double number(const char* key, double min, double max, double fallback);
    [[nodiscard]] int integer(const char* key, int min, int max);
    [[nodiscard]] int integer(const char* key, int min, int max, int fallback);
    [[nodiscard]] bool flag(const char* key, bool fallback);
    [[nodiscard]] Reader object(const char* key);
    /// Calls `entry(Reader)` for each object of a list; a missing list is an empty one.
    void each(const char* key, const std::function<void(Reader)>& entry);
    /// The same, where one object may stand alone.
    void oneOrEach(const char* key, const std::function<void(Reader)>& entry);
    /// Calls `entry(text, path)` for each text of a list.
    void eachText(const char* key, const std::function<void(const std::string&, const std::string&)>& entry,
                  std::size_t most = kMaxListEntries);
    /// Calls `entry(name, value)` for each number of an object; a missing object is an empty one.
    void eachNumber(const char* key, const std::function<void(const std::string&, double)>& entry);
    /// The same, where a text may stand for the number; that goes to `spoken(name, text)`.
    void eachNumber(const char* key, const std::function<void(const std::string&, double)>& entry,
                    const std::function<void(const std::string&, const std::string&)>& spoken);
    /// Calls `entry(name, Reader)` for each object of an object; a missing object is an empty one.
    void eachObject(const char* key, const std::function<void(const std::string&, Reader)>& entry);
    /// Calls `entry(name, text)` for each text of an object; a missing object is an empty one.
    void eachPair(const char* key, const std::function<void(const std::string&, const std::string&)>& entry);
    /// What no call above has asked for.
    [[nodiscard]] Extra rest() const;
    [[nodiscard]] std::string where(const char* key) const;
    [[noreturn]] void fail(const char* key, Sentence reason) const;

  private:
    const Json& need(const char* key);
    const Json* find(const char* key);

    const Json& node_;
    std::string path_;
    std::set<std::string, std::less<>> seen_;
};

/// Parses a document of the given format and hands it to `read`, turning every fault into an Error.
/// Versions newer than `version` are refused: an older program must not lose what it does not know.
template <class T>
Result<T> readJson(std::string_view bytes, const char* format, int version, const std::function<T(Reader&)>& read);

/// Appends the keys of `extra` to `node`.
void putBack(Json& node, const Extra& extra);
/// Two-space indented text with a final newline.
std::string dump(const Json& node);

namespace detail {
Result<Json> parseDocument(std::string_view bytes, const char* format, int version);
}

template <class T>
Result<T> readJson(std::string_view bytes, const char* format, int version, const std::function<T(Reader&)>& read) {
    auto document = detail::parseDocument(bytes, format, version);
    if (!document) return tl::unexpected(document.error());
    try {
        Reader reader(*document, "");
        (void)reader.text("format");
        (void)reader.integer("version", 1, version);
        return read(reader);
    } catch (const ReadError& error) {
        return failure(error.reason, error.path);
    }
}

} // namespace lariat

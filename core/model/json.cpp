#include "model/json.h"

#include <algorithm>
#include <array>
#include <cmath>

#include <fmt/format.h>

namespace lariat {
namespace {

constexpr int kMaxDepth = 32;

/// The reason of a parser message, without the parser's own numbering.
std::string plainReason(const std::string& what) {
    const auto bracket = what.find("] ");
    std::string text = bracket == std::string::npos ? what : what.substr(bracket + 2);
    // The offending bytes may be binary or endless.
    if (text.size() > 200) text = text.substr(0, 200) + "…";
    for (char& c : text)
        if (static_cast<unsigned char>(c) < 0x20) c = ' ';
    return text;
}

} // namespace

Reader::Reader(const Json& node, std::string path) : node_(node), path_(std::move(path)) {
    if (!node_.is_object()) throw ReadError(path_, say("expected an object, found {}", node_.type_name()));
}

std::string Reader::where(const char* key) const {
    return path_.empty() ? key : path_ + "/" + key;
}

void Reader::fail(const char* key, Sentence reason) const {
    throw ReadError(where(key), std::move(reason));
}

const Json* Reader::find(const char* key) {
    seen_.insert(key);
    const auto it = node_.find(key);
    return it == node_.end() ? nullptr : &*it;
}

const Json& Reader::need(const char* key) {
    if (const Json* value = find(key)) return *value;
    fail(key, say("is missing"));
}

std::string Reader::text(const char* key) {
    const Json& value = need(key);
    if (!value.is_string()) fail(key, say("expected a text, found {}", value.type_name()));
    const auto& text = value.get_ref<const std::string&>();
    // Such would do things in a terminal; nobody types them.
    if (std::ranges::any_of(text, [](char c) { return (c >= 0 && c < ' ' && c != '\n' && c != '\t') || c == 0x7f; }))
        fail(key, say("holds a control character"));
    return text;
}

std::string Reader::text(const char* key, std::string_view fallback) {
    return node_.contains(key) ? text(key) : std::string(fallback);
}

std::string Reader::id(const char* key) {
    std::string value = text(key);
    const bool good = !value.empty() && value.size() <= 64 &&
                      value.find_first_not_of("abcdefghijklmnopqrstuvwxyz0123456789-") == std::string::npos;
    if (!good) fail(key, say("\"{}\" is not a name of lower-case letters, digits and dashes", value));
    return value;
}

double Reader::number(const char* key, double min, double max) {
    const Json& value = need(key);
    if (!value.is_number()) fail(key, say("expected a number, found {}", value.type_name()));
    const double number = value.get<double>();
    if (!std::isfinite(number) || number < min || number > max)
        fail(key, say("{:g} is outside {:g} to {:g}", number, min, max));
    return number;
}

double Reader::number(const char* key, double min, double max, double fallback) {
    return node_.contains(key) ? number(key, min, max) : fallback;
}

int Reader::integer(const char* key, int min, int max) {
    const double value = number(key, min, max);
    if (value != std::floor(value)) fail(key, say("{:g} is not a whole number", value));
    return static_cast<int>(value);
}

int Reader::integer(const char* key, int min, int max, int fallback) {
    return node_.contains(key) ? integer(key, min, max) : fallback;
}

bool Reader::flag(const char* key, bool fallback) {
    const Json* value = find(key);
    if (!value) return fallback;
    if (!value->is_boolean()) fail(key, say("expected true or false, found {}", value->type_name()));
    return value->get<bool>();
}

Reader Reader::object(const char* key) {
    return {need(key), where(key)};
}

void Reader::oneOrEach(const char* key, const std::function<void(Reader)>& entry) {
    if (has(key) && node_[key].is_object())
        entry(object(key));
    else
        each(key, entry);
}

void Reader::each(const char* key, const std::function<void(Reader)>& entry) {
    const Json* list = find(key);
    if (!list) return;
    if (!list->is_array()) fail(key, say("expected a list, found {}", list->type_name()));
    if (list->size() > kMaxListEntries)
        fail(key, say("has {} entries, at most {} are allowed", list->size(), kMaxListEntries));
    std::size_t index = 0;
    for (const Json& item : *list) entry(Reader(item, fmt::format("{}/{}", where(key), ++index)));
}

void Reader::eachText(const char* key, const std::function<void(const std::string&, const std::string&)>& entry,
                      std::size_t most) {
    const Json* list = find(key);
    if (!list) return;
    if (!list->is_array()) fail(key, say("expected a list, found {}", list->type_name()));
    if (list->size() > most) fail(key, say("has {} entries, at most {} are allowed", list->size(), most));
    std::size_t index = 0;
    for (const Json& item : *list) {
        const std::string path = fmt::format("{}/{}", where(key), ++index);
        if (!item.is_string()) throw ReadError(path, say("expected a text, found {}", item.type_name()));
        entry(item.get<std::string>(), path);
    }
}

void Reader::eachNumber(const char* key, const std::function<void(const std::string&, double)>& entry) {
    const Json* object = find(key);
    if (!object) return;
    Reader inner(*object, where(key));
    for (const auto& item : object->items()) entry(item.key(), inner.number(item.key().c_str(), -1e12, 1e12));
}

void Reader::eachNumber(const char* key, const std::function<void(const std::string&, double)>& entry,
                        const std::function<void(const std::string&, const std::string&)>& spoken) {
    const Json* object = find(key);
    if (!object) return;
    Reader inner(*object, where(key));
    for (const auto& item : object->items())
        if (item.value().is_string())
            spoken(item.key(), inner.text(item.key().c_str()));
        else
            entry(item.key(), inner.number(item.key().c_str(), -1e12, 1e12));
}

void Reader::eachPair(const char* key, const std::function<void(const std::string&, const std::string&)>& entry) {
    const Json* object = find(key);
    if (!object) return;
    Reader inner(*object, where(key));
    for (const auto& item : object->items()) entry(item.key(), inner.text(item.key().c_str()));
}

void Reader::eachObject(const char* key, const std::function<void(const std::string&, Reader)>& entry) {
    const Json* object = find(key);
    if (!object) return;
    Reader inner(*object, where(key));
    for (const auto& item : object->items()) entry(item.key(), inner.object(item.key().c_str()));
}

Extra Reader::rest() const {
    Json rest = Json::object();
    for (const auto& item : node_.items())
        if (!seen_.contains(item.key())) rest[item.key()] = item.value();
    return Extra(std::move(rest));
}

namespace detail {

Result<Json> parseDocument(std::string_view bytes, const char* format, int version) {
    if (bytes.size() > kMaxDocumentBytes)
        return failure(say("is {} long, at most {} are read", megabytes(bytes.size()), megabytes(kMaxDocumentBytes)));
    try {
        std::array<int, kMaxDepth + 2> keys{}; // of the object that is open at each depth
        const auto guard = [&keys](int depth, Json::parse_event_t event, Json& value) {
            if (depth > kMaxDepth) throw ReadError("", say("is nested more than {} levels deep", kMaxDepth));
            if (event == Json::parse_event_t::object_start) keys[static_cast<std::size_t>(depth) + 1] = 0;
            if (event == Json::parse_event_t::key && ++keys[static_cast<std::size_t>(depth)] > kMaxKeys)
                throw ReadError("", say("an object has more than {} keys, before \"{}\"", kMaxKeys,
                                        plainReason(value.get<std::string>())));
            return true;
        };
        Json document = Json::parse(bytes, guard);
        if (!document.is_object()) return failure(say("is not a Lariat document: it should start with a brace"));
        const auto name = document.find("format");
        if (name == document.end() || !name->is_string() || name->get<std::string>() != format)
            return failure(say("is not a {} document: \"format\" should be \"{}\"", format, format), "format");
        const auto number = document.find("version");
        if (number == document.end() || !number->is_number_integer())
            return failure(say("should be a whole number"), "version");
        if (number->get<std::int64_t>() > version)
            return failure(say("was written by a newer Lariat (version {}, this one reads up to {}); "
                               "open it with a newer Lariat",
                               number->get<std::int64_t>(), version),
                           "version");
        return document;
    } catch (const ReadError& error) {
        return failure(error.reason, error.path);
    } catch (const Json::exception& error) {
        return failure(say("is damaged or cut short ({})", plainReason(error.what())));
    }
}

} // namespace detail

void putBack(Json& node, const Extra& extra) {
    if (!extra.keys()) return;
    for (const auto& item : extra.keys()->items()) node[item.key()] = item.value();
}

std::string dump(const Json& node) {
    return node.dump(2, ' ', false, Json::error_handler_t::replace) + "\n";
}

} // namespace lariat

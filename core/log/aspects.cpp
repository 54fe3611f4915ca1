#include "log/aspects.h"

#include <algorithm>
#include <set>

#include <fmt/format.h>

namespace lariat {
namespace {

constexpr const char* kLists[] = {"posts",     "cables",      "patterns", "performances", "headings",
                                  "dismissed", "controllers", "settings", "scenes",       "open-ends"};

bool isList(const std::string& key) {
    return std::ranges::find(kLists, key) != std::end(kLists);
}

std::string textOf(const Json& node, const char* key) {
    const auto found = node.find(key);
    if (found == node.end()) return {};
    return found->is_string() ? found->get<std::string>() : found->dump();
}

/// What tells one element of a list from the others.
std::string nameOf(const std::string& list, const Json& node) {
    if (list == "posts" || list == "open-ends") return textOf(node, "id");
    if (list == "cables") return textOf(node, "to");
    if (list == "patterns" || list == "performances") return textOf(node, "post");
    if (list == "headings") return textOf(node, "voice") + "\n" + textOf(node, "step");
    if (list == "dismissed") return textOf(node, "rule") + "\n" + textOf(node, "cable") + "\n" + textOf(node, "post");
    if (list == "controllers") return textOf(node, "post") + "." + textOf(node, "knob");
    return textOf(node, "name");
}

/// Members that are taken apart further, each entry by itself; of lists by their places.
bool opens(const std::string& list, const std::string& field) {
    if (list == "posts") return field == "knobs" || field == "unknown" || field == "knob-notes" || field == "locked";
    return list == "patterns" && (field == "tracks" || field == "lanes" || field == "variations");
}

class Apart {
  public:
    void patch(const Json& document) {
        for (const auto& [key, node] : document.items()) {
            if (key == "format" || key == "version") continue;
            if (isList(key))
                list(key, node);
            else
                put({{}, {}, key}, node);
        }
    }
    Aspects take() { return std::move(out_); }

  private:
    void put(AspectKey key, Json value) { out_.all[std::move(key)] = {std::move(value), place_++}; }

    void list(const std::string& name, const Json& nodes) {
        auto& order = out_.order[name];
        for (const Json& node : nodes) {
            const std::string plain = nameOf(name, node);
            std::string id = plain;
            for (int n = 2; out_.has(name, id); ++n) id = fmt::format("{}#{}", plain, n);
            order.push_back(id);
            put({name, id, {}}, true);
            for (const auto& [field, value] : node.items())
                if (opens(name, field))
                    open(name, id, field, value);
                else
                    put({name, id, field}, value);
        }
    }

    void open(const std::string& list, const std::string& id, const std::string& field, const Json& node) {
        std::size_t at = 0;
        for (const auto& [key, value] : node.items()) {
            if (field == "locked") {
                put({list, id, field + "/" + value.get<std::string>()}, true);
            } else if (field == "variations") { // its lines by themselves, and what else it has
                const std::string base = fmt::format("{}/{}/", field, at);
                Json rest = Json::object();
                for (const auto& [member, lines] : value.items())
                    if (member == "tracks" || member == "lanes")
                        open(list, id, base + member, lines);
                    else
                        rest[member] = lines;
                put({list, id, base + "rest"}, std::move(rest));
            } else {
                put({list, id, fmt::format("{}/{}", field, node.is_array() ? fmt::format("{:04}", at) : key)}, value);
            }
            ++at;
        }
    }

    Aspects out_;
    std::size_t place_ = 0;
};

std::vector<std::string> partsOf(const std::string& field) {
    std::vector<std::string> parts;
    std::size_t from = 0;
    for (auto slash = field.find('/'); slash != std::string::npos; slash = field.find('/', from)) {
        parts.push_back(field.substr(from, slash - from));
        from = slash + 1;
    }
    parts.push_back(field.substr(from));
    return parts;
}

/// Puts a field back into its element; `variations` collects what belongs to variations by their number.
void putField(Json& node, const std::string& list, const std::string& field, const Json& value,
              std::map<int, Json>& variations) {
    const auto slash = field.find('/');
    if (slash == std::string::npos || !opens(list, field.substr(0, slash))) {
        node[field] = value;
        return;
    }
    const std::vector<std::string> parts = partsOf(field);
    if (parts[0] == "locked") {
        node["locked"].push_back(parts[1]);
    } else if (parts[0] == "variations") {
        Json& variation = variations[std::stoi(parts[1])];
        if (parts[2] == "rest")
            for (const auto& [key, member] : value.items()) variation[key] = member;
        else
            variation[parts[2]].push_back(value);
    } else if (list == "patterns") {
        node[parts[0]].push_back(value);
    } else {
        node[parts[0]][field.substr(slash + 1)] = value;
    }
}

/// Elements of both in one order: that of `first`, and what only `second` has behind what it follows there.
std::vector<std::string> interleaved(std::vector<std::string> first, const std::vector<std::string>& second) {
    for (std::size_t i = 0; i < second.size(); ++i) {
        if (std::ranges::find(first, second[i]) != first.end()) continue;
        auto at = first.begin();
        if (i > 0) at = std::ranges::find(first, second[i - 1]) + 1;
        first.insert(at, second[i]);
    }
    return first;
}

std::vector<std::string> common(const std::vector<std::string>& of, const std::vector<std::string>& with) {
    std::vector<std::string> out;
    for (const std::string& one : of)
        if (std::ranges::find(with, one) != with.end()) out.push_back(one);
    return out;
}

const std::vector<std::string>& orderOf(const Aspects& aspects, const std::string& list) {
    static const std::vector<std::string> none;
    const auto found = aspects.order.find(list);
    return found == aspects.order.end() ? none : found->second;
}

} // namespace

const Json* Aspects::value(const AspectKey& key) const {
    const auto found = all.find(key);
    return found == all.end() ? nullptr : &found->second.json;
}

Aspects takeApart(const Patch& patch) {
    Apart apart;
    apart.patch(Json::parse(writePatch(patch)));
    return apart.take();
}

Result<Patch> putTogether(const Aspects& aspects) {
    Json out = {{"format", "lariat-patch"}, {"version", kPatchVersion}};
    std::vector<std::pair<std::size_t, const std::pair<const AspectKey, Aspects::Value>*>> inOrder;
    for (const auto& one : aspects.all) inOrder.emplace_back(one.second.place, &one);
    std::ranges::stable_sort(inOrder, {}, &decltype(inOrder)::value_type::first);

    std::map<std::pair<std::string, std::string>, Json> elements;
    std::map<std::pair<std::string, std::string>, std::map<int, Json>> variations;
    // Lines of a pattern come by their numbers, whichever patch they are from.
    for (const auto& [key, value] : aspects.all)
        if (key.list == "patterns" && !key.field.empty() && aspects.has(key.list, key.element))
            putField(elements[{key.list, key.element}], key.list, key.field, value.json,
                     variations[{key.list, key.element}]);
    for (const auto& [place, one] : inOrder) {
        const auto& [key, value] = *one;
        if (key.list.empty())
            out[key.field] = value.json;
        else if (key.list != "patterns" && !key.field.empty() && aspects.has(key.list, key.element))
            putField(elements[{key.list, key.element}], key.list, key.field, value.json,
                     variations[{key.list, key.element}]);
    }
    for (auto& [which, several] : variations)
        for (auto& [number, node] : several) elements[which]["variations"].push_back(std::move(node));
    std::set<int> numbers;
    int fresh = 0;
    for (const std::string& id : orderOf(aspects, "cables"))
        if (const Json* number = aspects.value({"cables", id, "id"})) fresh = std::max(fresh, number->get<int>());
    for (const auto& [list, ids] : aspects.order) {
        Json nodes = Json::array();
        for (const std::string& id : ids) {
            if (!aspects.has(list, id)) continue;
            Json& node = elements[{list, id}];
            if (list == "cables" && !numbers.insert(node.value("id", 0)).second) node["id"] = ++fresh;
            nodes.push_back(std::move(node));
        }
        out[list] = std::move(nodes);
    }
    return readPatch(out.dump());
}

std::vector<AspectKey> differingAspects(const Aspects& a, const Aspects& b) {
    std::vector<AspectKey> out;
    for (const auto& [key, value] : a.all)
        if (const Json* other = b.value(key); !other || *other != value.json) out.push_back(key);
    for (const auto& [key, value] : b.all)
        if (!a.value(key)) out.push_back(key);
    for (const auto& [list, order] : b.order)
        if (common(orderOf(a, list), order) != common(order, orderOf(a, list))) out.push_back({list, {}, kOrder});
    std::ranges::sort(out);
    return out;
}

Aspects takenOver(Aspects a, const Aspects& b, const std::vector<AspectKey>& keys) {
    std::set<std::string> ordered;
    for (const AspectKey& key : keys) {
        if (key.element.empty() && !key.list.empty()) {
            ordered.insert(key.list);
            continue;
        }
        const auto found = b.all.find(key);
        if (found == b.all.end())
            a.all.erase(key);
        else
            a.all[key] = found->second;
    }
    for (const char* name : kLists) {
        const std::vector<std::string> before = orderOf(a, name);
        const std::vector<std::string>& after = orderOf(b, name);
        std::vector<std::string> both =
            ordered.contains(name) ? interleaved(after, before) : interleaved(before, after);
        std::erase_if(both, [&](const std::string& id) { return !a.has(name, id); });
        if (both.empty())
            a.order.erase(name);
        else
            a.order[name] = std::move(both);
    }
    return a;
}

} // namespace lariat

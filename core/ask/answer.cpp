#include "ask/answer.h"

#include "model/json.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace lariat {
namespace {

constexpr std::array<const char*, kQuestionCount> kIds = {"shape",   "note",   "same",   "loud",
                                                          "content", "relate", "better", "real"};

std::string quoted(const std::string& text) {
    if (text.find_first_of("\",\n") == std::string::npos) return text;
    std::string out = "\"";
    for (const char c : text) out += c == '"' ? std::string("\"\"") : std::string(1, c);
    return out + "\"";
}

/// "seconds" of "t60-seconds-2"
std::string unitOf(std::string id) {
    while (!id.empty() && (id.back() == '-' || (id.back() >= '0' && id.back() <= '9'))) id.pop_back();
    const auto dash = id.rfind('-');
    const std::string end = dash == std::string::npos ? std::string() : id.substr(dash + 1);
    for (const char* unit : {"seconds", "hertz", "volts", "cents", "decibels", "percent", "degrees", "lufs"})
        if (end == unit) return end;
    return {};
}

} // namespace

double PlotAxis::at(double part) const {
    if (log) return low * std::pow(high / low, part);
    return low + part * (high - low);
}

double PlotAxis::part(double value) const {
    if (log) return std::log(std::max(1e-12, value) / low) / std::log(high / low);
    return (value - low) / (high - low);
}

const char* questionId(Question question) {
    return kIds[static_cast<std::size_t>(question)];
}

std::optional<Question> questionNamed(std::string_view id) {
    for (std::size_t i = 0; i < kIds.size(); ++i)
        if (id == kIds[i]) return static_cast<Question>(i);
    return std::nullopt;
}

Sentence questionText(Question question) {
    switch (question) {
    case Question::Shape:
        return say("What shape is it?");
    case Question::Note:
        return say("Which note is it?");
    case Question::Same:
        return say("Same each time?");
    case Question::Loud:
        return say("How loud along the way?");
    case Question::Content:
        return say("What is in it?");
    case Question::Relate:
        return say("How do these relate?");
    case Question::Better:
        return say("Which is better?");
    case Question::Real:
        break;
    }
    return say("Is the real one like this?");
}

const AskedFigure* Answer::figure(std::string_view id) const {
    for (const AskedFigure& one : figures)
        if (one.id == id) return &one;
    return nullptr;
}

std::string answerCsv(const Answer& answer) {
    std::string out = "figure,value,unit,text,of\n";
    for (const AskedFigure& one : answer.figures)
        out += fmt::format("{},{},{},{},{}\n", one.id, one.value ? fmt::format("{}", *one.value) : "", unitOf(one.id),
                           quoted(one.text),
                           one.track < 0 ? "" : quoted(answer.tracks[static_cast<std::size_t>(one.track)]));
    return out;
}

std::string answerJson(const Answer& answer, bool curves) {
    Json figures = Json::object();
    for (const AskedFigure& one : answer.figures) {
        Json& to = figures[one.id];
        to = {{"name", one.name.str()}, {"text", one.text}};
        if (one.value) to["value"] = *one.value;
        if (one.track >= 0) to["of"] = answer.tracks[static_cast<std::size_t>(one.track)];
        if (one.bad) to["bad"] = true;
    }
    Json out = {{"question", questionId(answer.question)},
                {"of", answer.tracks},
                {"verdict", answer.verdict.str()},
                {"more", answer.more.str()},
                {"figures", figures}};
    for (const Sentence& one : answer.also) out["also"].push_back(one.str());
    if (!answer.offers.empty()) {
        out["offers"] = Json::array();
        for (const AskedOffer& offer : answer.offers) out["offers"].push_back(offer.label.str());
    }
    if (curves) {
        out["pictures"] = Json::array();
        for (const Plot& plot : answer.plots) {
            Json lines = Json::array();
            for (const PlotCurve& curve : plot.curves) {
                Json points = Json::array();
                for (const auto& point : curve.points) points.push_back({point.first, point.second});
                for (const MinMax& column : curve.columns) points.push_back({column.min, column.max});
                lines.push_back({{"name", curve.name.str()}, {"points", points}});
            }
            out["pictures"].push_back({{"id", plot.id},
                                       {"title", plot.title.str()},
                                       {"x", {{"unit", plot.x.unit}, {"from", plot.x.low}, {"to", plot.x.high}}},
                                       {"y", {{"unit", plot.y.unit}, {"from", plot.y.low}, {"to", plot.y.high}}},
                                       {"curves", lines}});
        }
    }
    return dump(out);
}

} // namespace lariat

#include "places.h"

#include "bench/bench_place.h"
#include "log/log_place.h"
#include "patch/patch_place.h"
#include "plan/plan_place.h"
#include "sheet/sheet_place.h"
#include "stock/stock_place.h"
#include "time/time_place.h"

#include <QCoreApplication>

namespace lariat {
namespace {

template <class T> Place* makePlace(const Session& session) {
    return new T(session);
}

/// The chart of the Patch place, with keys to play the module on the stand.
Place* chartWithKeys(const Session& session) {
    auto* chart = new PatchPlace(session);
    chart->keys().show();
    return chart;
}

Place* makeStock(const Session& session) {
    return new StockPlace(session, chartWithKeys);
}

QString tr(const char* text) {
    return QCoreApplication::translate("lariat", text);
}

} // namespace

std::vector<PlaceEntry> allPlaces() {
    return {
        {"stock", tr("Stock"), tr("What have I, and what is left?"), makeStock},
        {"plan", tr("Plan"), tr("How do I build that here?"), makePlace<PlanPlace>},
        {"patch", tr("Patch"), tr("What is tied to what, and what flows?"), makePlace<PatchPlace>},
        {"time", tr("Time"), tr("What happens when?"), makePlace<TimePlace>},
        {"bench", tr("Bench"), tr("What is it, exactly?"), makePlace<BenchPlace>},
        {"sheet", tr("Sheet"), tr("How do I build it again?"), makePlace<SheetPlace>},
        {"log", tr("Log"), tr("What did I do, and what was better?"), makePlace<LogPlace>},
    };
}

} // namespace lariat

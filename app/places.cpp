#include "places.h"

#include "patch/patch_place.h"
#include "sheet/sheet_place.h"
#include "time/time_place.h"

#include <QCoreApplication>

namespace lariat {
namespace {

template <class T> Place* makePlace(const Session& session) {
    return new T(session);
}

QString tr(const char* text) {
    return QCoreApplication::translate("lariat", text);
}

} // namespace

std::vector<PlaceEntry> allPlaces() {
    return {
        {"stock", tr("Stock"), tr("What have I, and what is left?"), nullptr,
         tr("This place will count what your case can do, and show which modules, cables and milliamps are still "
            "free.")},
        {"plan", tr("Plan"), tr("How do I build that here?"), nullptr,
         tr("This place will turn a recipe and your wishes into cable rows and knob settings for your own case.")},
        {"patch", tr("Patch"), tr("What is tied to what, and what flows?"), makePlace<PatchPlace>},
        {"time", tr("Time"), tr("What happens when?"), makePlace<TimePlace>},
        {"bench", tr("Bench"), tr("What is it, exactly?"), nullptr,
         tr("This place will put scope, spectrum, tuner and level ladder on any jack.")},
        {"sheet", tr("Sheet"), tr("How do I build it again?"), makePlace<SheetPlace>},
        {"log", tr("Log"), tr("What did I do, and what was better?"), nullptr,
         tr("This place will keep takes of the patch with their sound, readings and notes, and tell any two apart.")},
    };
}

} // namespace lariat

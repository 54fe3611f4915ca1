// A window with the demo in its Time place, and the hands to use it.
#pragma once

#include "app/opened.h"
#include "model/pattern_text.h"
#include "time/time_place.h"

namespace lariat::test {

inline const LineRef kLead{"tracks", false, 0};
inline const LineRef kKick{"tracks", true, 0};

struct InTime : Opened {
    InTime() {
        window.resize(1280, 800);
        window.showPlace(QStringLiteral("time"));
        EVENTUALLY(time().responder().of("tracks") != nullptr);
    }
    TimePlace& time() { return *dynamic_cast<TimePlace*>(window.place(QStringLiteral("time"))); }
    TimeChart& steps() { return time().chart(); }
    QWidget* view() { return steps().viewport(); }
    std::string words(const LineRef& line, int variation = 0) {
        return lineText(*patch().pattern("tracks"), line, variation);
    }
    const Step& step(int index) {
        return patch().pattern("tracks")->tracks.front().steps[static_cast<std::size_t>(index)];
    }
    void press(const QPointF& at, Qt::KeyboardModifiers with = {}) {
        QTest::mouseClick(view(), Qt::LeftButton, with, at.toPoint());
    }
    void pull(const QPointF& from, const QPointF& to, Qt::KeyboardModifiers with = {}) {
        QTest::mousePress(view(), Qt::LeftButton, with, from.toPoint());
        for (int i = 1; i <= 4; ++i) move(from + (to - from) * i / 4.0, with);
        QTest::mouseRelease(view(), Qt::LeftButton, with, to.toPoint());
    }
    void move(const QPointF& to, Qt::KeyboardModifiers with) {
        QMouseEvent event(QEvent::MouseMove, to, view()->mapToGlobal(to), Qt::NoButton, Qt::LeftButton, with);
        QApplication::sendEvent(view(), &event);
    }
    void type(const QString& text) { QTest::keyClicks(&steps(), text); }
    template <class Widget> Widget* part(const char* name) {
        return time().findChild<Widget*>(QString::fromLatin1(name));
    }
    int undoSteps() { return window.document().history().index(); }
};

} // namespace lariat::test

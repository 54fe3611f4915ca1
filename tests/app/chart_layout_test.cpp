// The chart's geometry: nothing overlaps, nothing is lost, at any width.
#include "patch/chart_layout.h"
#include "support/patches.h"

#include <QtTest>

using namespace lariat;
using namespace lariat::test;

class ChartLayoutTest : public QObject {
    Q_OBJECT

    static ChartLayout laidOut(const Patch& patch, qreal width, bool compact = false,
                               std::vector<Finding> findings = {}) {
        ChartView view;
        view.width = width;
        view.compact = compact;
        return ChartLayout::of(patch, buildGraph(patch, workspace().library).normals, findings, view);
    }

  private Q_SLOTS:
    void headsDoNotOverlap_data() {
        QTest::addColumn<double>("width");
        for (const double width : {500.0, 918.0, 954.0, 1560.0, 3000.0}) QTest::addRow("%g", width) << width;
    }
    void headsDoNotOverlap() {
        QFETCH(double, width);
        const ChartLayout layout = laidOut(lamp(), width);
        QCOMPARE(layout.posts.size(), std::size_t{15});
        for (std::size_t i = 0; i < layout.posts.size(); ++i) {
            QVERIFY(layout.posts[i].head.width() > 40);
            QVERIFY(layout.posts[i].head.contains(QPointF(layout.posts[i].x, layout.posts[i].head.center().y())));
            for (std::size_t k = 0; k < i; ++k) {
                QVERIFY(!layout.posts[i].head.intersects(layout.posts[k].head));
                QVERIFY(layout.posts[k].x < layout.posts[i].x);
            }
        }
    }

    void theDemoFitsIntoTheUsualWindow() {
        const ChartLayout layout = laidOut(lamp(), 914);
        QVERIFY(layout.contentWidth <= 914 - ChartLayout::kGutter - ChartLayout::kReadings + 0.5);
        QVERIFY(layout.posts.back().x + ChartLayout::kWordsRight <= 914 - ChartLayout::kReadings);
    }

    void rowsFollowOneAnother() {
        std::vector<Finding> findings = {{"a", Severity::Mistake, 7, "osc-a", say("f"), say("r"), {}},
                                         {"b", Severity::Mistake, 0, "mixer", say("f"), say("r"), {}},
                                         {"c", Severity::Mistake, 0, "clock", say("f"), say("r"), {}}};
        for (const bool compact : {false, true}) {
            const ChartLayout layout = laidOut(lamp(), 954, compact, findings);
            qreal y = 0;
            int found = 0;
            for (const ChartRow& row : layout.rows) {
                QCOMPARE(row.top, y);
                y += row.height;
                found += row.kind == ChartRow::Kind::Finding;
            }
            QCOMPARE(layout.contentHeight, y);
            QCOMPARE(found, 3); // those of posts too
        }
    }

    void everyCableHasItsRow() {
        const ChartLayout layout = laidOut(lamp(), 954);
        for (const Cable& cable : lamp().cables) {
            const ChartRow* row = layout.cableRow(cable.id);
            QVERIFY(row);
            QCOMPARE(layout.rowAt(row->top + row->height / 2), row);
            QCOMPARE(row->fromX, layout.post(cable.from.post)->x);
        }
        QVERIFY(!layout.cableRow(99));
    }

    void aFindingStandsBelowItsCable() {
        const ChartLayout layout =
            laidOut(lamp(), 954, false, {{"a", Severity::Mistake, 7, "osc-a", say("f"), say("r"), {}}});
        for (std::size_t i = 1; i < layout.rows.size(); ++i)
            if (layout.rows[i].kind == ChartRow::Kind::Finding) QCOMPARE(layout.rows[i - 1].cable, 7);
    }

    void normalsCanBeHidden() {
        const auto normals = buildGraph(lamp(), workspace().library).normals;
        QVERIFY(!normals.empty());
        ChartView view;
        const auto count = [&] {
            const ChartLayout layout = ChartLayout::of(lamp(), normals, {}, view);
            return std::ranges::count(layout.rows, ChartRow::Kind::Normal, &ChartRow::kind);
        };
        QCOMPARE(count(), static_cast<std::ptrdiff_t>(normals.size()));
        view.showNormals = false;
        QCOMPARE(count(), std::ptrdiff_t{0});
    }

    void headingsFold() {
        const auto patch = applyEdit(lamp(), StyleHeading{{"Lead", "make it play", "rust", true}});
        const ChartLayout layout = ChartLayout::of(*patch, {}, {}, ChartView{});
        QVERIFY(!layout.cableRow(7));
        QVERIFY(layout.cableRow(1));
        QVERIFY(std::ranges::any_of(
            layout.rows, [](const ChartRow& row) { return row.heading == QStringLiteral("Lead · make it play"); }));
    }

    void onlyAPartIsShown() {
        ChartView view;
        view.only = std::set<int>{1, 2};
        const ChartLayout some = ChartLayout::of(lamp(), {}, {}, view);
        QVERIFY(some.cableRow(1) && some.cableRow(2) && !some.cableRow(3));
        QCOMPARE(some.posts.size(), std::size_t{3}); // those at the ends of the two
        view = {};
        view.untilRow = 4;
        const ChartLayout first = ChartLayout::of(lamp(), {}, {}, view);
        QVERIFY(first.cableRow(4) && !first.cableRow(5));
    }

    void zoomMakesRoom() {
        ChartView view;
        view.zoom = 2.0;
        const ChartLayout large = ChartLayout::of(lamp(), {}, {}, view);
        const ChartLayout usual = laidOut(lamp(), 954);
        QCOMPARE(large.cableRow(1)->height, 2.0 * usual.cableRow(1)->height);
        QVERIFY(large.contentWidth > usual.contentWidth);
    }

    void thePostNearThePointerIsFound() {
        const ChartLayout layout = laidOut(lamp(), 1560);
        for (const ChartPost& post : layout.posts) QCOMPARE(layout.postNear(post.x + 5, 12), &post);
        QVERIFY(!layout.postNear(5, 12));
    }

    void anEmptyPatchIsFine() {
        const ChartLayout layout = laidOut(Patch{}, 954);
        QVERIFY(layout.posts.empty() && layout.rows.empty());
        const ChartLayout one = laidOut(PatchMaker().post("osc", "keel", "a").make(), 954);
        QCOMPARE(one.posts.size(), std::size_t{1});
    }
};

QTEST_MAIN(ChartLayoutTest)
#include "chart_layout_test.moc"

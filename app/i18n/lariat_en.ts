<?xml version="1.0" encoding="utf-8"?>
<!DOCTYPE TS>
<TS version="2.1" language="en" sourcelanguage="en">
<context>
    <name>lariat::BenchPlace</name>
    <message numerus="yes">
        <source>The Bench is asked of %n jack(s) now.</source>
        <translation>
            <numerusform>The Bench is asked of %n jack now.</numerusform>
            <numerusform>The Bench is asked of %n jacks now.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>lariat::BlindDialog</name>
    <message numerus="yes">
        <source>no difference in %n round(s)</source>
        <translation>
            <numerusform>no difference in %n round</numerusform>
            <numerusform>no difference in %n rounds</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>lariat::BuildingActions</name>
    <message numerus="yes">
        <source> – %n cable(s)</source>
        <translation>
            <numerusform> – %n cable</numerusform>
            <numerusform> – %n cables</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%1 is one module now, with %n jacks: look behind its panel to change it.</source>
        <translation>
            <numerusform>%1 is one module now, with %n jack: look behind its panel to change it.</numerusform>
            <numerusform>%1 is one module now, with %n jacks: look behind its panel to change it.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>lariat::Chart</name>
    <message numerus="yes">
        <source>  (%n row(s))</source>
        <translation>
            <numerusform>  (%n row)</numerusform>
            <numerusform>  (%n rows)</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>lariat::Files</name>
    <message numerus="yes">
        <source>%1 holds the patch, its case and %n module(s).</source>
        <translation>
            <numerusform>%1 holds the patch, its case and %n module.</numerusform>
            <numerusform>%1 holds the patch, its case and %n modules.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>lariat::FindDialog</name>
    <message numerus="yes">
        <source>%1 gives %2. It holds from %3 to %4 (%n run(s)).</source>
        <translation>
            <numerusform>%1 gives %2. It holds from %3 to %4 (%n run).</numerusform>
            <numerusform>%1 gives %2. It holds from %3 to %4 (%n runs).</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>This knob alone does not do it: at %1 it comes nearest, with %2 (%n run(s)).</source>
        <translation>
            <numerusform>This knob alone does not do it: at %1 it comes nearest, with %2 (%n run).</numerusform>
            <numerusform>This knob alone does not do it: at %1 it comes nearest, with %2 (%n runs).</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>lariat::FindingsPage</name>
    <message numerus="yes">
        <source>%n cure(s) could not be tried in time, and are not offered.</source>
        <translation>
            <numerusform>%n cure could not be tried in time, and is not offered.</numerusform>
            <numerusform>%n cures could not be tried in time, and are not offered.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>lariat::LedgerView</name>
    <message numerus="yes">
        <source>%n free</source>
        <translation>
            <numerusform>%n free</numerusform>
            <numerusform>%n free</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n can stand in</source>
        <translation>
            <numerusform>%n can stand in</numerusform>
            <numerusform>%n can stand in</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>lariat::LogPlace</name>
    <message numerus="yes">
        <source>%n take(s) since %1</source>
        <translation>
            <numerusform>%n take since %1</numerusform>
            <numerusform>%n takes since %1</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>… and %n more</source>
        <translation>
            <numerusform>… and %n more</numerusform>
            <numerusform>… and %n more</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n change(s) brought in.</source>
        <translation>
            <numerusform>%n change brought in.</numerusform>
            <numerusform>%n changes brought in.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n sound(s) went; the log is smaller by %1.</source>
        <translation>
            <numerusform>%n sound went; the log is smaller by %1.</numerusform>
            <numerusform>%n sounds went; the log is smaller by %1.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>Show all %n row(s)</source>
        <translation>
            <numerusform>Show all %n row</numerusform>
            <numerusform>Show all %n rows</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>lariat::MainWindow</name>
    <message numerus="yes">
        <source>%n cable(s)</source>
        <translation>
            <numerusform>%n cable</numerusform>
            <numerusform>%n cables</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>Lariat was not closed properly. %n unsaved work(s) were kept; the File menu lists them, the newest is “%1” of %2.</source>
        <translation>
            <numerusform>Lariat was not closed properly. %n piece of unsaved work was kept; the File menu has it: “%1” of %2.</numerusform>
            <numerusform>Lariat was not closed properly. %n pieces of unsaved work were kept; the File menu lists them, the newest is “%1” of %2.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>lariat::MakerPage</name>
    <message numerus="yes">
        <source>and %n more</source>
        <translation>
            <numerusform>and %n more</numerusform>
            <numerusform>and %n more</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>lariat::MoveRecorder</name>
    <message numerus="yes">
        <source>%n move(s) recorded.</source>
        <translation>
            <numerusform>%n move recorded.</numerusform>
            <numerusform>%n moves recorded.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>lariat::NotesDialog</name>
    <message numerus="yes">
        <source>%1 of %n line(s) understood</source>
        <translation>
            <numerusform>%1 of %n line understood</numerusform>
            <numerusform>%1 of %n lines understood</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n cable(s)</source>
        <translation>
            <numerusform>%n cable</numerusform>
            <numerusform>%n cables</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n knob(s) unknown</source>
        <translation>
            <numerusform>%n knob unknown</numerusform>
            <numerusform>%n knobs unknown</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>lariat::PatchPlace</name>
    <message numerus="yes">
        <source>%1 holds %n message(s).</source>
        <translation>
            <numerusform>%1 holds %n message.</numerusform>
            <numerusform>%1 holds %n messages.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>They take the place of the %n message(s) that are played now.</source>
        <translation>
            <numerusform>They take the place of the %n message that is played now.</numerusform>
            <numerusform>They take the place of the %n messages that are played now.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>lariat::PlanPlace</name>
    <message numerus="yes">
        <source>Found after %n silent run(s). The arc is where every goal still holds; the most sensitive first: %1.</source>
        <translation>
            <numerusform>Found after %n silent run. The arc is where every goal still holds; the most sensitive first: %1.</numerusform>
            <numerusform>Found after %n silent runs. The arc is where every goal still holds; the most sensitive first: %1.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>Not all goals can be met with these knobs. This is the nearest that %n silent run(s) found.</source>
        <translation>
            <numerusform>Not all goals can be met with these knobs. This is the nearest that %n silent run found.</numerusform>
            <numerusform>Not all goals can be met with these knobs. This is the nearest that %n silent runs found.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n missing</source>
        <translation>
            <numerusform>%n missing</numerusform>
            <numerusform>%n missing</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n cable(s) to tie</source>
        <translation>
            <numerusform>%n cable to tie</numerusform>
            <numerusform>%n cables to tie</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>, %n to take out</source>
        <translation>
            <numerusform>, %n to take out</numerusform>
            <numerusform>, %n to take out</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>, %n stay</source>
        <translation>
            <numerusform>, %n stays</numerusform>
            <numerusform>, %n stay</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>, %n in use</source>
        <translation>
            <numerusform>, %n in use</numerusform>
            <numerusform>, %n in use</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%1 (%n cable(s) move)</source>
        <translation>
            <numerusform>%1 (%n cable moves)</numerusform>
            <numerusform>%1 (%n cables move)</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>lariat::RecipeList</name>
    <message numerus="yes">
        <source>%n short</source>
        <translation>
            <numerusform>%n short</numerusform>
            <numerusform>%n short</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>lariat::Recorder</name>
    <message numerus="yes">
        <source>%n note(s) taken; Ctrl+Z takes the whole take back.</source>
        <translation>
            <numerusform>%n note taken; Ctrl+Z takes the whole take back.</numerusform>
            <numerusform>%n notes taken; Ctrl+Z takes the whole take back.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>lariat::Rehearsal</name>
    <message numerus="yes">
        <source>in %n beat(s)</source>
        <translation>
            <numerusform>in %n beat</numerusform>
            <numerusform>in %n beats</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>now, %n beat(s) long</source>
        <translation>
            <numerusform>now, %n beat long</numerusform>
            <numerusform>now, %n beats long</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>lariat::ScaleTools</name>
    <message numerus="yes">
        <source>%n step(s) are written into slot %1 now.</source>
        <translation>
            <numerusform>%n step is written into slot %1 now.</numerusform>
            <numerusform>%n steps are written into slot %1 now.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>lariat::SceneStrip</name>
    <message numerus="yes">
        <source>%1 · %n bar(s)</source>
        <translation>
            <numerusform>%1 · %n bar</numerusform>
            <numerusform>%1 · %n bars</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>lariat::StockPanel</name>
    <message numerus="yes">
        <source>%n left</source>
        <translation>
            <numerusform>%n left</numerusform>
            <numerusform>%n left</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n short</source>
        <translation>
            <numerusform>%n short</numerusform>
            <numerusform>%n short</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>, %n plug(s) stand on another</source>
        <translation>
            <numerusform>, %n plug stands on another</numerusform>
            <numerusform>, %n plugs stand on another</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>lariat::StockPlace</name>
    <message numerus="yes">
        <source>No row has %n HP free in one piece.</source>
        <translation>
            <numerusform>No row has %n HP free in one piece.</numerusform>
            <numerusform>No row has %n HP free in one piece.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>lariat::TieLine</name>
    <message numerus="yes">
        <source>%n knob(s), names and notes set.</source>
        <translation>
            <numerusform>%n knob, name or note set.</numerusform>
            <numerusform>%n knobs, names and notes set.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>lariat::TimeChart</name>
    <message numerus="yes">
        <source>%n step(s)</source>
        <translation>
            <numerusform>%n step</numerusform>
            <numerusform>%n steps</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>lariat::TimePlace</name>
    <message numerus="yes">
        <source>%n step(s) from %1.</source>
        <translation>
            <numerusform>%n step from %1.</numerusform>
            <numerusform>%n steps from %1.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n note(s) had no step of their own and were left out.</source>
        <translation>
            <numerusform>%n note had no step of their own and were left out.</numerusform>
            <numerusform>%n notes had no step of their own and were left out.</numerusform>
        </translation>
    </message>
</context>
</TS>

using System.Collections.Immutable;
using System.Text.Encodings.Web;
using System.Text.Json;
using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.Geometry;
using Yardang.Core.Ink;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Shapes;
using Yardang.Core.Styles;
using Yardang.Core.Tests.Boards;
using Yardang.Core.Tests.Interchange;
using Yardang.Core.Walls;
using Yardang.Core.Tests.Lessons;
using Yardang.Core.Tests.Walls;
using Yardang.Core.Tests.Shapes;
using Yardang.Core.Visibility;
using Yardang.Data.Wire;
using Yardang.WireMaker;
using static Yardang.Core.Tests.Boards.BoardScript;

namespace Yardang.Core.Tests.Wire;

/// <summary>
/// The vectors in tests/golden, which the browser's code runs too. They change only on purpose: write them anew with YARDANG_GOLDEN=write.
/// </summary>
public class GoldenTests
{
    /// <summary>tests/golden.</summary>
    internal static readonly string Folder = FindFolder();

    private static readonly JsonSerializerOptions s_options = new() { Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping };
    private static readonly int[] s_actors = [1, 2, 3];

    [Fact]
    public void Ink_outlines() => Check("ink", Strokes().Select(points => new
    {
        points = Flat(points),
        width = 80,
        polygons = InkOutline.Of([.. points], 80).Select(p => p.SelectMany(c => new[] { Math.Round(c.X, 3), Math.Round(c.Y, 3) })),
    }));

    [Fact]
    public void Cuts() => Check("cuts", Strokes().SelectMany((points, i) => Enumerable.Range(0, 6).Select(k =>
    {
        var (x, y, radius) = (points[k * 3 % points.Length].X + (k * 90), points[k * 3 % points.Length].Y - (i * 20), 350 + (k * 60));
        var cuts = Stroke.UnderEraser([.. points], x, y, radius);
        System.Collections.Immutable.ImmutableArray<int> earlier = [k * 100, (k * 100) + 450];
        var together = CutIntervals.Union(cuts, earlier);
        return new
        {
            points = Flat(points),
            x,
            y,
            radius,
            cuts,
            earlier,
            together,
            left = CutIntervals.Remaining(together, Stroke.Length([.. points])),
            parts = Stroke.Remaining([.. points], together).Select(p => Flat([.. p])),
        };
    })));

    [Fact]
    public void Archives() => Check("archives", ArchiveVectors.All());

    [Fact]
    public void Boards() => Check("boards", Enumerable.Range(1, 12).Select(seed =>
    {
        var board = new BoardScript();
        var from = board.Log.Count;
        var start = board.Digest();
        BoardPlay.Play(board, new Random(seed));
        BoardPlay.PlayLateChange(board, takenBack: seed % 3 == 0);
        return new
        {
            start,
            events = board.Log.Skip(from).Select(EventCodec.Encode),
            end = board.Digest(),
            undo = s_actors.ToDictionary(a => a, a => board.Board.Sheets.Journal.NextUndo(a)?.Id),
            redo = s_actors.ToDictionary(a => a, a => board.Board.Sheets.Journal.NextRedo(a)?.Id),
        };
    }));

    [Fact]
    public void Sight_of_boards() => Check("sight-boards", Enumerable.Range(40, 4).SelectMany(seed => new[] { Teacher, Maya, Ben }.Select(reader =>
    {
        var board = new BoardScript();
        BoardPlay.Play(board, new Random(seed));
        var (start, from) = (SnapshotCodec.Encode(board.Board, reader), board.Log.Count);
        BoardPlay.PlayLateChange(board, takenBack: seed % 2 == 0);
        BoardPlay.Play(board, new Random(seed + 1));
        return SeenBy(reader, start, board.Log.Skip(from), SnapshotCodec.Encode(board.Board, reader));
    })));

    [Fact]
    public void Sight_of_lessons() => Check("sight-lessons", Enumerable.Range(50, 4).SelectMany(seed => new[] { Teacher, Maya, Ben }.Select(reader =>
    {
        var lesson = new LessonScript(4);
        LessonPlay.Play(lesson, new Random(seed), 60);
        var (start, from) = (SnapshotCodec.Encode(lesson.Lesson, reader), lesson.Log.Count);
        LessonPlay.Play(lesson, new Random(seed + 1), 120);
        return SeenBy(reader, start, lesson.Log.Skip(from).Select(e => Sight.Of(reader, e) ? Sight.AsTold(reader, e) : e), SnapshotCodec.Encode(lesson.Lesson, reader));
    })));

    [Fact]
    public void Sight_of_walls() => Check("sight-walls", Enumerable.Range(60, 4).SelectMany(seed => new[] { Teacher, Maya, Ben }.Select(reader =>
    {
        var wall = new WallScript(new WallRules(Most: 9));
        WallPlay.Play(wall, new Random(seed), 40);
        var (start, from) = (SnapshotCodec.Encode(wall.Wall, reader), wall.Log.Count);
        WallPlay.Play(wall, new Random(seed + 1), 80);
        return SeenBy(reader, start, wall.Log.Skip(from), SnapshotCodec.Encode(wall.Wall, reader));
    })));

    [Fact]
    public void Sight_of_walls_without_names() => Check("sight-walls-without-names", Enumerable.Range(70, 6).SelectMany(seed => new[] { Teacher, Maya, Ben }.Select(reader =>
    {
        var wall = new WallScript(new WallRules(Names: NamesTo.Teachers));
        WallPlay.Play(wall, new Random(seed), 60);
        var (start, from) = (SnapshotCodec.Encode(wall.Wall, reader), wall.Log.Count);
        WallPlay.Play(wall, new Random(seed + 1), 90);
        var told = wall.Log.Skip(from).Select(e => reader.IsStaff || !Sight.Of(reader, e) ? e : HiddenNames.AsTold(reader, e, wall.Wall.Veil));
        return SeenBy(reader, start, told, SnapshotCodec.Encode(wall.Wall, reader));
    })));

    [Fact]
    public void Class_orders() => Check("class-orders", OrderTests.Vectors());

    [Fact]
    public void Link_readings() => Check("link-readings", ConnectTests.Vectors());

    [Fact]
    public void Walls_foreseen() => Check("walls-foreseen", WallVectors.All());

    [Fact]
    public void Kinds() => Check("kinds", Enumerable.Range(1, 3).Select(seed => new WireSamples(Declarations.Of(), new Random(seed))).Select(samples => new
    {
        commands = samples.Of(typeof(Command)).Select(s => new { s.Kind, name = Named(s.Sample), bytes = CommandCodec.Encode(new Submission(3, 4, 2, 5, (Command)s.Sample)) }).ToList(),
        events = samples.Of(typeof(RoomEvent)).Select(s => new { s.Kind, name = Named(s.Sample), bytes = EventCodec.Encode(new Envelope(7, 1_000, Actor.Owner, 3, 4, 5, Audience.Staff, (RoomEvent)s.Sample)) }).ToList(),
    }));

    [Fact]
    public void Permissions() => Check("permissions", PermissionVectors.All().ToList());

    [Fact]
    public void Fill_ins() => Check("fill-ins", PermissionVectors.FillIns());

    [Fact]
    public void Undo() => Check("undo", Enumerable.Range(20, 12).Select(seed =>
    {
        var board = new BoardScript();
        BoardPlay.Play(board, new Random(seed));
        board.Do(Teacher, new LockPage(0, false), 0);
        board.Allowed = Allowed.Everything;
        board.Draw(Maya);
        board.Do(Maya, new MakeChanges([new Placed(LooseLabel, new Place(10, 0, 0))]));
        if (seed % 2 == 0) board.Do(Ben, new MakeChanges([new Placed(LooseLabel, new Place(20, 0, 0))]));
        var gesture = board.LastGesture(Maya);
        var before = board.Digest();
        board.Undo(Maya);
        return new { before, actor = Maya.Number, gesture, @event = EventCodec.Encode(board.Log[^1]) };
    }));

    [Fact]
    public void Colours() => Check("palette", new { ink = Palette.Ink, note = Palette.Note, highlighter = Palette.Highlighter, teacherInk = Palette.TeacherInk, print = Palette.Print });

    private static readonly string[] s_groupNames = ["The red ones", "Triángulos", "Los azules", "Estrellas verdes", "Blue squares", "Redwood", "ROJO", "amber/arch", "", "ÁMBAR", "Équipe rose", "组 green"];

    [Fact]
    public void Group_signs() => Check("group-signs", Enumerable.Range(1, 70).Select(n => (Number: n, Name: $"Group {n}"))
        .Concat(s_groupNames.Select((name, i) => (Number: i + 1, Name: name)))
        .Select(g => new { number = g.Number, name = g.Name, fill = Core.Lessons.GroupSign.Of(g.Number, g.Name).Fill, path = Core.Lessons.GroupSign.Of(g.Number, g.Name).Path }));

    [Fact]
    public void Rulings() => Check("rulings", Papers().Select(p => new
    {
        kind = p.Kind,
        spacing = p.Spacing,
        across = p.Across is null ? null : new[] { p.Across.From, p.Across.To, p.Across.Step },
        up = p.Up is null ? null : new[] { p.Up.From, p.Up.To, p.Up.Step },
        columns = p.Columns,
        rows = p.Rows,
        ruling = Ruling.Of(p, new PageSize(9_000, 7_000)) is var r ? new { lines = r.Lines, strong = r.Strong, dots = r.Dots, labels = r.Labels.Select(l => new object[] { l.X, l.Y, l.Text }) } : null,
    }));

    [Fact]
    public void Shapes() => Check("shapes", ShapeVectors.All().Select(v =>
    {
        var mark = new Mark(1, 1, 2, ByStaff: false, Grip.Own, 1, v.Shape, new Style(0, 60), v.Place, [], Erased: false, v.Scale);
        var measures = ShapeMeasures.Of(v.Shape, v.Scale);
        return new
        {
            shape = (int)v.Shape.Shape,
            points = v.Shape.Points,
            place = new[] { v.Place.X, v.Place.Y, v.Place.Turn },
            scale = v.Scale is { } s ? new[] { s.X, s.Y } : null,
            corners = Spot.All(v.Shape.Points).Select(c => MarkGeometry.OnPage(mark, c)).SelectMany(c => new[] { Math.Round(c.X, 3), Math.Round(c.Y, 3) }),
            bounds = MarkGeometry.BoundsOf(mark) is var b ? new[] { Math.Round(b.X, 3), Math.Round(b.Y, 3), Math.Round(b.Width, 3), Math.Round(b.Height, 3) } : null,
            figure = Figures.Of(v.Shape, v.Scale).ToString(),
            sides = measures.Sides.Select(x => Math.Round(x, 4)),
            angles = measures.Angles.Select(x => Math.Round(x, 4)),
            perimeter = Math.Round(measures.Perimeter, 4),
            area = Math.Round(measures.Area, 4),
            labels = new[] { LengthUnit.Centimetre, LengthUnit.Inch }.Select(unit => MeasureLabels.Of(v.Shape, v.Scale, Looks.ShowsSides | Looks.ShowsAngles | Looks.ShowsPerimeter | Looks.ShowsArea, unit)
                .Select(l => new object[] { Math.Round(l.X, 3), Math.Round(l.Y, 3), l.Text })),
        };
    }));

    [Fact]
    public void Objects() => Check("objects", ObjectVectors.Bodies().Select(body =>
    {
        var mark = new Mark(9, 1, 1, ByStaff: true, Grip.Printed, 3, body, new Style(2, 60, 1, Looks.ArrowAtEnd), Place.AsDrawn, [], Erased: false);
        var envelope = new Envelope(1, 2, Actor.Owner, 1, 1, 9, Audience.Everyone, new MarkAdded(mark));
        return new { kind = body.KindName(), added = EventCodec.Encode(envelope) };
    }));

    [Fact]
    public void Connectors() => Check("connectors", ObjectVectors.Boxes().SelectMany(_ => ObjectVectors.Boxes(), (from, to) => new
    {
        from = new[] { from.X, from.Y, from.Width, from.Height },
        to = new[] { to.X, to.Y, to.Width, to.Height },
        points = ConnectorPath.Between(from, to),
    }));

    [Fact]
    public void Answer_places() => Check("answer-places", FieldsSomewhere().Select(mark =>
    {
        var field = (AnswerFieldBody)mark.Body;
        var space = AnswerPlace.SpaceOf(mark, field);
        var name = field.Name.ByLanguage.Values.FirstOrDefault() ?? "";
        return new { field = new { x = field.X, y = field.Y, width = field.Width, height = field.Height, name }, place = new { x = mark.Place.X, y = mark.Place.Y, turn = mark.Place.Turn }, scale = mark.Scale is var (x, y) ? new { x, y } : null, space = new[] { space.X, space.Y, Math.Round(space.Width, 3), Math.Round(space.Height, 3) } };
    }));

    private static IEnumerable<Mark> FieldsSomewhere()
    {
        foreach (var name in new[] { Texts.In("en", "What pushes back?"), Texts.None })
        {
            yield return Field(name, 1_800, Place.AsDrawn, null);
            yield return Field(name, 900, new Place(-733, 410, 0), null);
            yield return Field(name, 2_400, new Place(55, -20, 0), new Scale(1_333, 777));
        }

        static Mark Field(Texts name, int height, Place place, Scale? scale) =>
            new(9, 1, 1, ByStaff: true, Grip.Printed, 3, new AnswerFieldBody(101, 203, 9_001, height, name), new Style(0, 0), place, [], Erased: false, scale);
    }

    [Fact]
    public void Zone_layers() => Check("zone-layers", Enumerable.Range(1, 40).Select(seed =>
    {
        var random = new Random(seed);
        var marks = Enumerable.Range(1, 12).Select(id => SomewhereOnGrid(random, id)).OrderBy(m => m.Order).ThenBy(m => m.Id).ToList();
        return new
        {
            marks = marks.Select(m => new { id = m.Id, order = m.Order, kind = m.Body.KindName(), box = new[] { m.Body.Box().X, m.Body.Box().Y, m.Body.Box().Width, m.Body.Box().Height } }),
            laid = ZoneLayers.Lay(marks).Select(m => m.Id),
        };
    }));

    // Boxes of few sizes at few places: many hold others, some are the same.
    private static Mark SomewhereOnGrid(Random random, int id)
    {
        int x = 1_000 * random.Next(4), y = 1_000 * random.Next(3), width = 1_000 * random.Next(1, 6), height = 1_000 * random.Next(1, 6);
        ImmutableArray<int> points = [x, y, x + width, y + height];
        MarkBody body = random.Next(4) switch
        {
            0 => new ShapeBody(ShapeKind.Ellipse, points),
            1 => new NoteBody(x, y, width, height, new Words("", "en", [""], 700)),
            _ => new ZoneBody(ShapeKind.Ellipse, points, Texts.None),
        };
        return new(id, 1, 1, ByStaff: true, Grip.Printed, random.Next(8), body, new Style(0, 0), Place.AsDrawn, [], Erased: false);
    }

    private static object SeenBy(Actor reader, byte[] start, IEnumerable<Envelope> log, byte[] end) =>
        new { reader = reader.Number, isStaff = reader.IsStaff, start, events = log.Where(e => Sight.Of(reader, e)).Select(EventCodec.Encode), end };

    private static IEnumerable<Paper> Papers()
    {
        foreach (var kind in Enum.GetValues<PaperKind>()) yield return new Paper(kind);
        yield return new Paper(PaperKind.Squared, 1_000);
        yield return new Paper(PaperKind.CoordinatePlane, 0, new Axis(-500, 4_250, 500), new Axis(2_000, 12_000, 2_500));
        yield return new Paper(PaperKind.NumberLine, 0, new Axis(-1_000, 1_000, 250));
        yield return new Paper(PaperKind.Table, Columns: 7, Rows: 2);
    }

    private static IEnumerable<InkPoint[]> Strokes()
    {
        yield return [new(500, 500, 128, 0)];
        yield return [new(500, 500, 128, 0), new(500, 500, 128, 5), new(900, 500, 200, 9)];
        for (var seed = 1; seed <= 8; seed++)
        {
            var random = new Random(seed);
            double angle = 0, x = 4000, y = 4000;
            yield return [.. Enumerable.Range(0, 12 + (seed * 4)).Select(i =>
            {
                angle += (random.NextDouble() - 0.5) * seed;
                x += Math.Cos(angle) * 200;
                y += Math.Sin(angle) * 200;
                return new InkPoint((int)x, (int)y, (byte)random.Next(256), i * 12);
            })];
        }
    }

    private static string Named(object sample) => sample.GetType().Name is var name ? char.ToLowerInvariant(name[0]) + name[1..] : "";

    private static int[] Flat(InkPoint[] points) => [.. points.SelectMany(p => new[] { p.X, p.Y, p.Pressure, p.Ms })];

    private static void Check(string name, object vectors)
    {
        var file = Path.Combine(Folder, $"{name}.json");
        var json = JsonSerializer.Serialize(vectors, s_options) + "\n";
        if (string.Equals(Environment.GetEnvironmentVariable("YARDANG_GOLDEN"), "write", StringComparison.Ordinal)) File.WriteAllText(file, json);
        Assert.Equal(File.ReadAllText(file), json);
    }

    private static string FindFolder()
    {
        var folder = new DirectoryInfo(AppContext.BaseDirectory);
        while (!File.Exists(Path.Combine(folder.FullName, "Yardang.slnx"))) folder = folder.Parent!;
        return Path.Combine(folder.FullName, "tests", "golden");
    }
}

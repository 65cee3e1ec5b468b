using System.Net;
using System.Text.Json;
using SkiaSharp;
using Yardang.Core.Activities;
using Yardang.Core.Attachments;
using Yardang.Core.Interchange;
using Yardang.Core.Lessons;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;
using Yardang.Data.Media;
using Yardang.Data.School;
using Yardang.Rendering;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;
using Yardang.Web.Shelf;

namespace Yardang.Web.Tests.Lessons;

/// <summary>Stations of a wall to visit: what they show is given to those who are there, put out, archived and brought back.</summary>
public sealed class StationsOnWallsTests : WallLessons
{
    // A hundredth of a second: 8 kHz, 8 bits.
    private static readonly byte[] s_sound = [.. "RIFF"u8, 116, 0, 0, 0, .. "WAVEfmt "u8, 16, 0, 0, 0, 1, 0, 1, 0, 0x40, 0x1f, 0, 0, 0x40, 0x1f, 0, 0, 1, 0, 8, 0, .. "data"u8, 80, 0, 0, 0, .. new byte[80]];

    private string _picture = "";
    private string _film = "";

    public override async ValueTask InitializeAsync()
    {
        await base.InitializeAsync();
        _picture = await School.Get<MediaStore>().KeepAsync(Png(), Stop);
        _film = await School.Get<MediaStore>().KeepAsync(s_sound, Stop);
    }

    [Fact]
    public async Task What_a_station_shows_is_given_to_whoever_is_on_the_wall_and_to_nobody_else()
    {
        var (lesson, wall) = await HandOutAsync();
        var (maya, mayas) = await School.StudentAsync(lesson.Code, "Maya");
        foreach (var media in new[] { _picture, _film }) Assert.Equal(HttpStatusCode.OK, (await maya.GetAsync($"/rooms/{wall}/media/{media}?{mayas.Split('?')[1]}", Stop)).StatusCode);
        var (other, elsewhere) = await School.HandOutAsync(Teacher);
        var (cleo, cleos) = await School.StudentAsync(elsewhere.Code, "Cleo");
        Assert.NotEqual(other.Id, lesson.ActivityId);
        Assert.Equal(HttpStatusCode.NotFound, (await cleo.GetAsync($"/rooms/{wall}/media/{_picture}?{cleos.Split('?')[1]}", Stop)).StatusCode);
    }

    [Fact]
    public async Task Print_and_picture_have_what_stations_show_beside_what_was_said_there()
    {
        var (lesson, wall) = await HandOutAsync();
        var address = $"/lesson/{lesson.Id}/board/{wall}";
        var svg = await Varga.GetStringAsync($"{address}.svg", Stop);
        foreach (var words in new[] { "1. Stone arch", "2. Rope bridge", "Where does the load go?" }) Assert.Contains(words, svg, StringComparison.Ordinal);
        Assert.Single(svg.Split("<image").Skip(1));
        using var png = SKBitmap.Decode(await Varga.GetByteArrayAsync($"{address}.png", Stop));
        Assert.Contains(png.Pixels, p => p is { Red: > 200, Green: < 30, Blue: < 30 });
        Assert.True((await Varga.GetByteArrayAsync($"{address}.pdf", Stop)).Length > 3_000);
    }

    [Fact]
    public async Task An_activity_and_a_lesson_come_back_from_their_archives_with_what_stations_show()
    {
        var (lesson, _) = await HandOutAsync();
        await School.StudentAsync(lesson.Code, "Maya");
        var (other, _) = await School.TeacherAsync("Tobi Adeyemi");
        foreach (var address in new[] { $"/activity/{lesson.ActivityId}.yardang.zip", $"/lesson/{lesson.Id}.yardang.zip" })
        {
            var file = await Varga.GetByteArrayAsync(address, Stop);
            var archived = ArchivedPlan(file);
            Assert.Equal(Purpose.Visit, archived.Purpose);
            Assert.Equal(2, ActivityArchive.Read(file).Media.Count);
            using var answer = await TestSchool.ImportAsync(other, file);
            Assert.Equal(HttpStatusCode.Redirect, answer.StatusCode);
            var to = answer.Headers.Location!.ToString();
            var again = Guid.Parse(to.Split('/')[^1]);
            var back = ArchivedPlan(await other.GetByteArrayAsync(to.Contains("/lesson/", StringComparison.Ordinal) ? $"/lesson/{again}.yardang.zip" : $"/activity/{again}.yardang.zip", Stop));
            Assert.Equal(JsonSerializer.Serialize(archived), JsonSerializer.Serialize(back));
            Assert.All(back.MediaNames(), name => Assert.NotNull(School.Get<MediaStore>().Find(name)));
        }
    }

    [Fact]
    public async Task A_round_trip_and_who_was_where_outlive_a_restart_of_the_room()
    {
        var (lesson, wall) = await HandOutAsync();
        await School.StudentAsync(lesson.Code, "Maya");
        var host = await School.Get<RoomHosts>().GetAsync(wall);
        await DoAsync(host, new BeginTrip([new("Arches", [2])]), Actor.Owner);
        await DoAsync(host, new MoveOn(1), Actor.Owner);
        await DoAsync(host, new VisitStation(12), new Actor(2, Role.Student));
        byte[] before = [], after = [];
        await host.LookAsync(r => before = Data.Wire.SnapshotCodec.Encode(r, Actor.Owner), Stop);
        var copy = new Wall(Plan());
        Assert.True(Data.Wire.SnapshotCodec.Restore(before, copy));
        after = Data.Wire.SnapshotCodec.Encode(copy, Actor.Owner);
        Assert.Equal(before, after);
        Assert.Equal((1, 12L), (copy.Visits.Trip!.Stop, copy.Visits.All[2].Now));
    }

    private WallPlan Plan() => WallPlan.Blank with
    {
        Purpose = Purpose.Visit,
        Question = Texts.In("en", "What carries the load?"),
        Topics =
        [
            new(11, Texts.In("en", "Stone arch"), Texts.In("en", "Where does the load go?"), 0, Shown: [new PictureAttachment(_picture, 60, 40, "One arch")]),
            new(12, Texts.In("en", "Rope bridge"), Texts.None, 1, Stimulus: new(StimulusKind.Audio, _film, "How it creaks")),
        ],
    };

    private Task<(LessonRecord Lesson, Guid Wall)> HandOutAsync() => HandOutAsync(Plan());

    private static WallPlan ArchivedPlan(byte[] file) => ActivityArchive.Read(file).Activity.Steps[0].Wall!;

    private static async Task DoAsync(RoomHost host, Command command, Actor actor)
    {
        var client = ((ClientAdmitted)(await host.SubmitAsync(new AdmitClient(), actor, Stop)).Envelope!.Event).Number;
        Assert.NotNull((await host.SubmitAsync(new Submission(client, 1, 0, 0, command), actor, Stop)).Envelope);
    }

    private static byte[] Png()
    {
        using var bitmap = new SKBitmap(60, 40);
        bitmap.Erase(SKColors.Red);
        using var image = SKImage.FromBitmap(bitmap);
        using var png = image.Encode(SKEncodedImageFormat.Png, 100);
        return PictureIntake.Take(png.ToArray()).Picture!.Bytes;
    }
}

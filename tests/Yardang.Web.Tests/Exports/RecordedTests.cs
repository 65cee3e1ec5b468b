using System.Net;
using Yardang.Core.Attachments;
using Yardang.Core.Media;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Tests.Media;
using Yardang.Core.Threads;
using Yardang.Core.Walls;
using Yardang.Rendering;
using Yardang.Web.Exports;
using Yardang.Web.Rooms;
using Yardang.Web.Storage;
using Yardang.Web.Tests.Lessons;
using static Yardang.Web.Tests.Lessons.OnWalls;

namespace Yardang.Web.Tests.Exports;

/// <summary>From paper to what cannot be printed: by a code, for those who may have it.</summary>
public sealed class RecordedTests : WallLessons
{
    private static readonly Actor s_maya = new(2, Role.Student);

    private static readonly WallPlan s_plan = WallPlan.Blank with
    {
        Question = Texts.In("en", "Why does it stand?"),
        Topics = [new(11, Texts.In("en", "Materials"), Texts.None, 2)],
        Rules = WallRules.Free with { OwnFirst = true, Answers = true, Shows = Attachment.AnyKind },
    };

    [Fact]
    public async Task A_code_leads_those_to_it_who_may_see_the_card_and_nobody_else()
    {
        var (lesson, wall) = await HandOutAsync(s_plan);
        var (maya, _) = await School.StudentAsync(lesson.Code, "Maya");
        var (ben, _) = await School.StudentAsync(lesson.Code, "Ben");
        var (host, media) = (await School.Get<RoomHosts>().GetAsync(wall), School.Get<RoomMedia>());
        var voice = new VoiceAttachment((await media.KeepAsync(wall, MadeUpFiles.All["voice"], Stop)).Name, 2_000, "0490", "Ropes pull <b>hard</b>");
        var file = new FileAttachment((await media.KeepAsync(wall, "a;b\n1;2\n"u8.ToArray(), Stop)).Name, "loads & more.txt", FileFormat.Text, 8, "", "What each bears");
        var card = 0L;
        await DoAsync(host, s_maya, id => new PutUpCard(card = id, 11, "en", "Listen", [voice, file]));
        var answer = voice with { Media = (await media.KeepAsync(wall, MadeUpFiles.All["film"], Stop)).Name, Words = "" };
        await DoAsync(host, Actor.Owner, id => new GiveAnswer(card, id, 0, "en", "They do indeed", Shown: answer));

        foreach (var (shown, says) in new (Attachment, string)[] { (voice, "Ropes pull &lt;b&gt;hard&lt;/b&gt;"), (file, "What each bears"), (answer, "They do indeed") })
        {
            var address = Leads.AddressOf(wall, shown);
            foreach (var browser in new[] { Varga, maya })
            {
                var page = await browser.GetStringAsync(address, Stop);
                Assert.Contains(says, page, StringComparison.Ordinal);
                var source = WebUtility.HtmlDecode(page.Split($"/rooms/{wall}/media/")[1].Split('"')[0]);
                using var content = await browser.GetAsync($"/rooms/{wall}/media/{source}", Stop);
                Assert.Equal(HttpStatusCode.OK, content.StatusCode);
            }

            foreach (var browser in new[] { ben, School.Visitor(), (await School.TeacherAsync("Tobi Adeyemi")).Browser })
            {
                using var refused = await browser.GetAsync(address, Stop);
                Assert.Equal(HttpStatusCode.NotFound, refused.StatusCode);
                Assert.DoesNotContain(shown.MediaNames().First(), await refused.Content.ReadAsStringAsync(Stop), StringComparison.Ordinal);
            }
        }

        // What is down is heard by nobody but its author and teachers, and an answer that is down by teachers alone.
        await DoAsync(host, s_maya, _ => new TakeCardDown(card));
        Assert.Equal(HttpStatusCode.OK, (await maya.GetAsync(Leads.AddressOf(wall, voice), Stop)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await ben.GetAsync(Leads.AddressOf(wall, voice), Stop)).StatusCode);
    }

    [Fact]
    public async Task An_address_that_leads_nowhere_says_so_to_everybody_alike()
    {
        var room = Guid.NewGuid();
        var voice = new VoiceAttachment(new('a', 64), 2_000, "", "");
        var right = Leads.AddressOf(room, voice);
        Assert.Equal(room, Leads.RoomIn(right.Split('/')[2]));
        string[] wrong = [right, right[..^1], right.ToUpperInvariant(), "/recorded/x/y", $"/recorded/{new string('-', 22)}/{new string('a', 12)}", $"/recorded/{new string('%', 3)}/{new string('a', 12)}", $"/recorded/{new string('a', 4_000)}/{new string('a', 12)}", $"/recorded/AAAAAAAAAAAAAAAAAAAA=A/{new string('a', 12)}"];
        foreach (var address in wrong)
        {
            using var answer = await Varga.GetAsync(address, Stop);
            Assert.True(answer.StatusCode is HttpStatusCode.NotFound or HttpStatusCode.BadRequest, address);
        }
    }

    [Fact]
    public void On_paper_a_code_stands_whole_below_what_it_leads_to_and_what_is_seen_as_it_is_has_none()
    {
        var voice = new VoiceAttachment(new('a', 64), 2_000, "0490", "Ropes pull");
        var picture = new PictureAttachment(new('b', 64), 400, 300, "An arch");
        bool[][] code = [.. Enumerable.Range(0, 41).Select(row => Enumerable.Range(0, 41).Select(column => (row + column) % 3 == 0).ToArray())];
        WallSlip[] slips = [.. Enumerable.Range(0, 40).Select(i => new WallSlip($"Card {i}", "Maya", i % 2 == 0 ? [voice, picture, voice] : [picture]))];
        var sheet = new WallSheet("Why does it stand?", [new WallBand("Materials", "", 3, slips, [voice])], [], "", _ => null, Leads: a => a is VoiceAttachment ? code : null);
        var pages = WallPages.On(PageSize.A4Wide, sheet);
        var codes = pages.SelectMany(p => p.Marks).Where(m => m.Body is Core.Marks.FormulaBody).ToList();
        Assert.True(codes.Count > 40);
        Assert.All(pages, p => Assert.All(p.Marks, m =>
        {
            var box = m.Body.Box();
            Assert.InRange(box.X, 0, PageSize.A4Wide.Width - box.Width);
            Assert.InRange(box.Y, 0, PageSize.A4Wide.Height - box.Height);
        }));

        // Large enough to be read, and none over another.
        Assert.All(codes, m => Assert.InRange(m.Body.Box().Width, 1_800, 2_200));
        foreach (var page in pages)
        {
            var boxes = page.Marks.Where(m => m.Body is Core.Marks.FormulaBody).Select(m => m.Body.Box()).ToList();
            for (var i = 0; i < boxes.Count; i++)
            {
                for (var j = 0; j < i; j++) Assert.True(boxes[i].X >= boxes[j].X + boxes[j].Width || boxes[j].X >= boxes[i].X + boxes[i].Width || boxes[i].Y >= boxes[j].Y + boxes[j].Height || boxes[j].Y >= boxes[i].Y + boxes[i].Height);
            }
        }

        Assert.DoesNotContain(WallPages.On(PageSize.A4Wide, sheet with { Leads = null }).SelectMany(p => p.Marks), m => m.Body is Core.Marks.FormulaBody);
    }
}

using System.Collections.Concurrent;
using System.Net;
using System.Net.Sockets;
using System.Text;
using Microsoft.AspNetCore.Hosting;
using OpenTelemetry.Metrics;
using Yardang.Headless.SimulatedClass;

namespace Yardang.Web.Tests.Operating;

/// <summary>Figures of the server go to the collector that the school names, and say nothing of anybody.</summary>
public sealed class MetricsTests
{
    [Fact]
    public async Task A_collector_is_told_how_the_server_does_and_of_nobody()
    {
        var stop = TestContext.Current.CancellationToken;
        using var free = new TcpListener(IPAddress.Loopback, 0);
        free.Start();
        var at = $"http://127.0.0.1:{((IPEndPoint)free.LocalEndpoint).Port}/";
        free.Stop();
        using var collector = new HttpListener { Prefixes = { at } };
        collector.Start();
        var told = new ConcurrentQueue<string>();
        var listening = ListenAsync(collector, told);
        await using (var school = new TestSchool(web => web.UseSetting("Yardang:Metrics:Endpoint", $"{at}v1/metrics")))
        {
            var (_, teacher) = await school.TeacherAsync("Ilse Varga");
            var (_, lesson) = await school.HandOutAsync(teacher);
            await using var student = await ClassMember.JoinAsync(school.Address, lesson.Code.Text, "Maya Okonjo");
            await student.DoAsync(new Draws([new(100, 100, 128, 0), new(900, 300, 128, 20)], 0), lively: false, stop);
            await Eventually.IsAsync(() =>
            {
                school.Get<MeterProvider>().ForceFlush();
                return told.Any(t => t.Contains("yardang.log.events", StringComparison.Ordinal));
            });
            var all = string.Join('\n', told);
            foreach (var name in new[] { "yardang.rooms", "yardang.readers", "yardang.connections", "yardang.log.commit", "yardang.log.waiting", "yardang.followers.failing", "yardang.disk.free", "http.server.request.duration" }) Assert.Contains(name, all, StringComparison.Ordinal);
            foreach (var secret in new[] { lesson.Code.Text, "Maya", "Varga", lesson.Id.ToString() }) Assert.DoesNotContain(secret, all, StringComparison.OrdinalIgnoreCase);
        }

        collector.Stop();
        await listening;
    }

    private static async Task ListenAsync(HttpListener collector, ConcurrentQueue<string> told)
    {
        try
        {
            while (collector.IsListening)
            {
                var context = await collector.GetContextAsync();
                using var body = new MemoryStream();
                await context.Request.InputStream.CopyToAsync(body);
                told.Enqueue(Encoding.Latin1.GetString(body.ToArray()));
                context.Response.Close();
            }
        }
        catch (Exception e) when (e is HttpListenerException or ObjectDisposedException)
        {
            return;
        }
    }
}

using System.Diagnostics;
using System.Net;
using System.Net.Sockets;

namespace Yardang.Bench;

/// <summary>A server in a process of its own, so that its CPU can be told from the generator's.</summary>
public static class ServerProcess
{
    public static Uri FreeAddress()
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return new Uri($"http://127.0.0.1:{((IPEndPoint)listener.LocalEndpoint).Port}");
    }

    public static async Task<Process> StartAsync(Uri address, string folder, IReadOnlyList<string> arguments, IReadOnlyDictionary<string, string> environment)
    {
        var start = new ProcessStartInfo("dotnet", arguments) { WorkingDirectory = folder, UseShellExecute = false, RedirectStandardOutput = true, RedirectStandardError = true };
        foreach (var (name, value) in environment) start.Environment[name] = value;
        var process = Process.Start(start)!;
        process.BeginOutputReadLine();
        process.BeginErrorReadLine();
        using var http = new HttpClient { BaseAddress = address };
        while (true)
        {
            try
            {
                await http.GetStringAsync("/healthz");
                return process;
            }
            catch (HttpRequestException)
            {
                await Task.Delay(50);
            }
        }
    }
}

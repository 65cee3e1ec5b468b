using System.Globalization;

namespace Yardang.Bench;

/// <summary>How a load ends: a line for each figure, measured beside its limit.</summary>
public static class Verdict
{
    /// <summary>name | measured | limit | holds.</summary>
    public static void Say(string name, double measured, double limit, string unit) =>
        Console.WriteLine(string.Create(CultureInfo.InvariantCulture, $"{name} | {measured:0.##} {unit} | {limit:0.##} {unit} | {(measured <= limit ? "holds" : "falls short")}"));

    /// <summary>The same of a figure that is to be as large.</summary>
    public static void SayAtLeast(string name, double measured, double limit, string unit) =>
        Console.WriteLine(string.Create(CultureInfo.InvariantCulture, $"{name} | {measured:0.##} {unit} | at least {limit:0.##} {unit} | {(measured >= limit ? "holds" : "falls short")}"));
}

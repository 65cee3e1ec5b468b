namespace Yardang.Web.Tests.Rooms;

public class SimulationTests
{
    // More with SIMULATION_SEEDS=..., another range with SIMULATION_FIRST=...
    private static int Setting(string name, int otherwise) =>
        int.TryParse(Environment.GetEnvironmentVariable(name), System.Globalization.CultureInfo.InvariantCulture, out var value) ? value : otherwise;

    public static TheoryData<string> Works() => [nameof(SimulatedWork.OnBoard), nameof(SimulatedWork.OnWall)];

    [Theory]
    [MemberData(nameof(Works))]
    public async Task Whatever_the_network_and_the_server_do_nothing_is_lost_nothing_is_doubled_and_all_agree(string where)
    {
        var work = string.Equals(where, nameof(SimulatedWork.OnWall), StringComparison.Ordinal) ? SimulatedWork.OnWall : SimulatedWork.OnBoard;
        var first = Setting("SIMULATION_FIRST", 1);
        for (var seed = first; seed < first + Setting("SIMULATION_SEEDS", 300); seed++)
        {
            await using var simulation = new Simulation(seed, work);
            try
            {
                await simulation.RunAsync(steps: 150).WaitAsync(TimeSpan.FromSeconds(30), TestContext.Current.CancellationToken);
            }
            catch (Exception e)
            {
                throw new Xunit.Sdk.XunitException($"Seed {seed}: {e}", e);
            }
        }
    }
}

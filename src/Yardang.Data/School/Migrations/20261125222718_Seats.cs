using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Yardang.Data.School.Migrations
{
    /// <inheritdoc />
    public partial class Seats : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "IX_Boards_LessonId",
                table: "Boards");

            migrationBuilder.AddColumn<int>(
                name: "Standing",
                table: "Participants",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<bool>(
                name: "SeesOtherBoards",
                table: "Lessons",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<bool>(
                name: "SeesTeachersBoard",
                table: "Lessons",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<int>(
                name: "Kind",
                table: "Boards",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<int>(
                name: "Number",
                table: "Boards",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.CreateTable(
                name: "Seats",
                columns: table => new
                {
                    ParticipantId = table.Column<Guid>(type: "TEXT", nullable: false),
                    BoardId = table.Column<Guid>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Seats", x => new { x.ParticipantId, x.BoardId });
                });

            // What boards were before is told by who works on them.
            migrationBuilder.Sql("UPDATE Boards SET Kind = 2 WHERE Id IN (SELECT TogetherId FROM Lessons WHERE TogetherId IS NOT NULL)");
            migrationBuilder.Sql("UPDATE Boards SET Number = COALESCE((SELECT MIN(Number) FROM Participants WHERE BoardId = Boards.Id), -rowid) WHERE Kind = 0");
            migrationBuilder.Sql("INSERT INTO Seats (ParticipantId, BoardId) SELECT Id, BoardId FROM Participants");

            migrationBuilder.CreateIndex(
                name: "IX_Boards_LessonId_Kind_Number",
                table: "Boards",
                columns: new[] { "LessonId", "Kind", "Number" },
                unique: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "Seats");

            migrationBuilder.DropIndex(
                name: "IX_Boards_LessonId_Kind_Number",
                table: "Boards");

            migrationBuilder.DropColumn(
                name: "Standing",
                table: "Participants");

            migrationBuilder.DropColumn(
                name: "SeesOtherBoards",
                table: "Lessons");

            migrationBuilder.DropColumn(
                name: "SeesTeachersBoard",
                table: "Lessons");

            migrationBuilder.DropColumn(
                name: "Kind",
                table: "Boards");

            migrationBuilder.DropColumn(
                name: "Number",
                table: "Boards");

            migrationBuilder.CreateIndex(
                name: "IX_Boards_LessonId",
                table: "Boards",
                column: "LessonId");
        }
    }
}

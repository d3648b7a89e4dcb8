# frozen_string_literal: true

module SteadyMove
  module Web
    module Routes
      # The list of names: on screen, as a table to take along, as a report to print.
      module Listings
        extend Answers

        REPORT_MOST = 500
        # Seconds that a first reading of all names is waited for, at least.
        SHORT = 0.5

        # The list as it is asked for.
        module Helpers
          # [instant, snapshot or Working, snapshot now, accounts, now].
          def listed(patience: [application.jobs.patience, SHORT].max)
            account!(asked[:to], "to") if asked[:to]
            moment = now
            at = Contract.instant(asked[:at]) || moment
            accounts = desk.accounts.all.to_h { |a| [a.id, a] }
            [
              at,
              *desk.portfolio.snapshots(at: at, now: moment, to: asked[:to], patience: patience),
              accounts,
              moment
            ]
          end

          def query(accounts, **more)
            Desk::Portfolio::NamesQuery.new(
              asked.merge(more),
              Desk::Portfolio::NamesQuery.titles(accounts)
            )
          end

          # All that pass the filter, or those that are named: [Found, accounts, instant].
          def everything
            at, snapshot, was, accounts = listed(patience: 120)
            names = asked[:names]&.split(",")
            found =
              query(
                accounts,
                offset: 0,
                limit: snapshot.list.size,
                **(names ? { names: names } : {})
              ).call(snapshot, was)
            [found, accounts, at]
          end
        end

        on "names" do
          at, snapshot, was, accounts, moment = listed
          next working(snapshot) if snapshot.is_a?(Desk::Portfolio::Holdings::Working)

          content_type :json
          application
            .lists
            .fetch([snapshot.version, was.version, at.to_i, moment.to_i, asked]) do
              found = query(accounts).call(snapshot, was)
              JSON.generate(
                Views::NameList.page(
                  found,
                  accounts,
                  at: at,
                  now: moment,
                  offset: asked.fetch(:offset, 0)
                )
              )
            end
        end

        on "namesTable" do
          found, accounts, at = everything
          taken_out(:names)
          content_type "text/csv", charset: "utf-8"
          attachment "names-#{at.strftime("%Y-%m-%d")}.csv"
          Desk::Portfolio::NameTable.text(found, accounts, at)
        end

        on "report" do
          found, accounts, at = everything
          if found.total > REPORT_MOST
            raise Problem.say(422, :report_too_long, most: REPORT_MOST, count: found.total)
          end

          content_type "text/html", charset: "utf-8"
          Views::Report.page(
            found.rows.map { |e| judged(e.ascii) },
            accounts,
            gates: Desk::Portfolio::Gates.new(desk, asked[:to]),
            at: at,
            now: now
          )
        end
      end
    end
  end
end

# frozen_string_literal: true

module SteadyMove
  module Web
    module Routes
      # The list of names: on screen, as a table to take along, as a report to print.
      module Listings
        REPORT_MOST = 500

        def self.registered(app)
          helpers(app)

          app.get("/api/names") do
            given, at, picture, was, accounts, moment = asked
            next working(picture) if picture.is_a?(Desk::Portfolio::Working)

            content_type :json
            house.lists.fetch([picture.version, was.version, at.to_i, moment.to_i, given]) do
              found = Desk::NamesQuery.new(given, Desk::NamesQuery.titles(accounts)).call(picture, was)
              JSON.generate(Views::NameList.page(found, accounts, at: at, now: moment, offset: given.fetch(:offset, 0)))
            end
          end

          app.get("/api/names.csv") do
            found, accounts, at = everything
            content_type "text/csv", charset: "utf-8"
            attachment "names-#{at.strftime('%Y-%m-%d')}.csv"
            Desk::NameTable.text(found, accounts, at)
          end

          app.get("/api/names/report") do
            found, accounts, at = everything
            raise Problem.new(422, "A report holds at most #{REPORT_MOST} names, and these are #{found.total}: ask for fewer.") if found.total > REPORT_MOST

            judged = found.rows.map { |e| judged(e.ascii) }
            content_type "text/html", charset: "utf-8"
            Views::Report.page(judged, accounts, at: at, now: now)
          end
        end

        def self.helpers(app)
          app.helpers do
            # What the query asks: [parameters, instant, picture or Working, picture now, accounts, now].
            def asked(patience: 0.5)
              given = house.contract.query("/api/names", params)
              moment = now
              at = Contract.instant(given[:at]) || moment
              accounts = app_.accounts.all.to_h { |a| [a.id, a] }
              raise Problem.new(422, "to: there is no account “#{given[:to]}”.") if given[:to] && !accounts.key?(given[:to])

              [given, at, *app_.portfolio.pictures(at: at, now: moment, to: given[:to], patience: patience), accounts, moment]
            end

            # All that pass the filter, or those that are named: [Found, accounts, instant].
            def everything
              given, at, picture, was, accounts = asked(patience: 120)
              given = given.merge(offset: 0, limit: picture.list.size, names: params["names"]&.split(",")).compact
              [Desk::NamesQuery.new(given, Desk::NamesQuery.titles(accounts)).call(picture, was), accounts, at]
            end
          end
        end
        private_class_method :helpers
      end
    end
  end
end

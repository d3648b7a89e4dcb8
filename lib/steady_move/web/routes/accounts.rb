# frozen_string_literal: true

module SteadyMove
  module Web
    module Routes
      # Registrar accounts and DNS hosts.
      module Accounts
        extend Answers

        # How ready an account is, as it is shown.
        module Helpers
          def ready(id)
            account = desk.accounts.find(id) or
              raise Desk::Refused.new(:unknown, :no_account, id: id)
            {
              checks:
                Views::AccountView.ready(Desk::Accounts::DestinationChecks.new(desk).run(account)),
              learnt:
                Desk::Accounts::Habits.new(desk).learnt(id).map { |l| { key: l.key, says: l.says } }
            }
          end
        end

        on "accounts" do
          {
            usual_destination: Desk::Accounts::Destinations.usual(desk),
            accounts: desk.accounts.all.map { |a| Views::AccountView.account(a) },
            hosts: desk.accounts.hosts.map { |h| Views::AccountView.host(h) }
          }
        end

        on "accountForm" do
          { habits: Views::AccountForm.habits }
        end

        on "addAccount" do
          account = Desk::Accounts::Endpoints.new(desk).add_account(given, by: me)
          status 201
          { id: account.id }
        end

        on "account" do
          account = desk.accounts.find(asked[:id]) or
            raise Desk::Refused.new(:unknown, :no_account, id: asked[:id])
          Views::AccountView.whole(account)
        end

        on "changeAccount" do
          Desk::Accounts::Endpoints.new(desk).change_account(asked[:id], given, by: me)
          { id: asked[:id] }
        end

        on "removeAccount" do
          Desk::Accounts::Endpoints.new(desk).remove_account(asked[:id], by: me)
          { id: asked[:id] }
        end

        on "addHost" do
          status 201
          { id: Desk::Accounts::Endpoints.new(desk).add_host(given, by: me).id }
        end

        on "changeHost" do
          Desk::Accounts::Endpoints.new(desk).change_host(asked[:id], given, by: me)
          { id: asked[:id] }
        end

        on "removeHost" do
          Desk::Accounts::Endpoints.new(desk).remove_host(asked[:id], by: me)
          { id: asked[:id] }
        end

        on("accountReady") { ready(asked[:id]) }

        on "noteReady" do
          held = given["balance"]&.then { |b| Core::Money::Amount.of(b) }
          Desk::Accounts::DestinationChecks.new(desk).note(
            asked[:id],
            given["key"],
            is: given["is"],
            suffix: given["suffix"],
            balance: held,
            by: me
          )
          ready(asked[:id])
        end

        on "noteWhere" do
          Desk::Accounts::Habits.new(desk).put_where(
            asked[:id],
            given["act"],
            given["words"],
            by: me
          )
          ready(asked[:id])
        end

        on "keepLearnt" do
          habits = Desk::Accounts::Habits.new(desk)
          if given["asks"]
            habits.asks(asked[:id], given["asks"], by: me)
          else
            habits.keep_learnt(asked[:id], given["key"].to_s, by: me)
          end
          ready(asked[:id])
        end
      end
    end
  end
end

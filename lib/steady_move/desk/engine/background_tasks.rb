# frozen_string_literal: true

module SteadyMove
  module Desk
    module Engine
      # What is done without anybody's asking, each kind in a lane of its own: mail fetched, records
      # looked at again, message queues emptied, batches started, notices and alerts sent, old
      # things cleared.
      class BackgroundTasks
        attr_reader :post, :bootstrap, :alerts

        def initialize(ports, runner, lanes, on_error:)
          @ports = Ports.of(ports)
          @lanes = lanes
          @post = Mail::PostRoom.new(@ports, on_error: on_error)
          @put_off = Portfolio::DeferredLookups.new(@ports)
          @watch = Portfolio::Watch.new(@ports)
          @bootstrap = Accounts::Bootstrap.new(@ports)
          @polls = Moves::PollQueue.new(@ports)
          @batches = Batches::BatchRun.new(@ports)
          @alerts = Operations::Alerts.new(@ports, runner)
          @aside = asides
        end

        # Begins what is due. Returns whether mail is being fetched.
        def begin
          begun = fetch_post
          poll
          @put_off.due? &&
            @lanes.push("record", [nil, :put_off]) { @put_off.due? && @put_off.look_up }
          by_itself
          begun
        end

        # When a batch has something to begin next, or nil.
        def next_look = @batches.next_look

        private

        # {lane => what is done in it once its receiver says that it is due}.
        def asides
          {
            "strays" => Automation::UnrequestedTransferAlarms.new(@ports).method(:tell),
            "alerts" => @alerts.method(:tell),
            "imports" => Portfolio::Imports.new(@ports).method(:call),
            "batches" => @batches.method(:go_on),
            "sign-in mails" => Automation::SignInMails.new(@ports).method(:tell),
            "notices" => Automation::Notices.new(@ports).method(:tell),
            "webhooks" => Automation::Webhooks.new(@ports).method(:tell),
            "retention" => Operations::Retention.new(@ports).method(:call),
            "journal" => Operations::JournalCheck.new(@ports).method(:walk)
          }
        end

        def fetch_post
          @post.due? && @lanes.push("post", [nil, :post]) { @post.fetch_if_due }
        end

        def by_itself
          @bootstrap.due? &&
            @lanes.push("watch", [nil, :bootstrap]) { @bootstrap.due? && @bootstrap.fetch }
          @watch.due? && @lanes.push("watch", [nil, :watch]) { @watch.due? && @watch.look }
          @aside.each do |lane, act|
            act.receiver.due? && @lanes.push(lane, [nil, lane]) { act.receiver.due? && act.call }
          end
        end

        # Each account's message queue, in its own lane.
        def poll
          @polls.due.each do |account|
            @lanes.push("account #{account.id}", [nil, "poll #{account.id}"]) do
              @polls.due?(account.id) && @polls.fetch(account)
            end
          end
        end
      end
    end
  end
end

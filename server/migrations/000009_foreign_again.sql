-- A record from elsewhere that has grown since (entries, a later word) takes the place of its earlier state.
grant update on foreign_record to stennet_app;
